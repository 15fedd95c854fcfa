package dev.halfdusk.app.outings;

import dev.halfdusk.app.Skies;
import dev.halfdusk.app.bench.StarsView;
import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.pictures.SkyStrip;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NightWords;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.outing.RunSheet;
import dev.halfdusk.core.outing.SharpStars;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Interval;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** An outing in the words and numbers of its page, at one minute of its night. */
public record OutingView(
        Outing outing,
        String night,
        LocalDate before,
        LocalDate after,
        String moon,
        String verdict,
        Ribbon ribbon,
        int minute,
        String notch,
        AtMinute at,
        List<CoreRow> core,
        List<SheetRow> sheet,
        List<String> cautions) {

    private static final double SIGNAL_TO_NOISE = 10;

    /** What depends on the minute. */
    public record AtMinute(
            String clock,
            String utc,
            String aim,
            String field,
            String stance,
            String arch,
            StarsView stars,
            List<TestRow> tests,
            SkyStrip picture) {}

    /** Composition test at one ISO. */
    public record TestRow(int iso, String seconds, String dial) {}

    /** The core at one instant of its window. */
    public record CoreRow(String when, String clock, String altitude, String azimuth, String compass, String stance) {}

    public record SheetRow(String clock, String utc, String what, boolean act) {}

    /** @param minute after local noon; empty for the plan's own best minute */
    public static OutingView of(Outing outing, Skies skies, Optional<Integer> minute) {
        SharpStars plan = outing.plan(skies);
        Night night = plan.night();
        Ribbon ribbon = Ribbon.of(night, outing.place().glow());
        int shown = ribbon.clamp(minute.orElseGet(() -> minuteOf(night, plan.best())));
        Instant when = night.span().from().plus(Duration.ofMinutes(shown));
        return new OutingView(
                outing,
                Words.night(night.date()),
                Form.NIGHTS.near(night.date(), -1),
                Form.NIGHTS.near(night.date(), 1),
                NightWords.moon(night),
                NightWords.verdict(night),
                ribbon,
                shown,
                ribbon.at(shown),
                atMinute(outing, plan, when),
                core(plan),
                sheet(plan),
                cautions(outing.place().notes()));
    }

    /** What was noted about this ground first, then what holds everywhere. */
    private static List<String> cautions(Place.Notes notes) {
        List<String> all = new ArrayList<>();
        if (!notes.hazards().isEmpty()) {
            all.add("Here: " + notes.hazards() + ".");
        }
        if (!notes.turnBack().isEmpty()) {
            all.add("Turn back: " + notes.turnBack() + ".");
        }
        all.addAll(RunSheet.CAUTIONS);
        return List.copyOf(all);
    }

    private static int minuteOf(Night night, Instant when) {
        return Math.round(Duration.between(night.span().from(), when).toMinutes() / 10f) * 10;
    }

    private static AtMinute atMinute(Outing outing, SharpStars plan, Instant when) {
        SharpStars.Aim aim = plan.aim(when);
        Proposal proposal = plan.proposal(aim, outing.rig(), outing.place().glow(), SIGNAL_TO_NOISE);
        Galaxy.Arch arch = plan.night().arch(when);
        String aimed = (aim.atCore() ? "at the core, " : "core is down; looking ")
                + Words.number(aim.azimuthDeg(), 0) + "\u00b0 " + Angles.compass(aim.azimuthDeg()) + ", "
                + Words.number(aim.altitudeDeg(), 0) + "\u00b0 up";
        String field = Words.trimmed(outing.focalMm()) + " mm, "
                + Words.number(plan.optics().widthDeg(), 0) + "\u00b0 \u00d7 "
                + Words.number(plan.optics().heightDeg(), 0) + "\u00b0";
        String band = "from " + Words.number(arch.leftFootDeg(), 0) + "\u00b0 to "
                + Words.number(arch.rightFootDeg(), 0) + "\u00b0, top " + Words.number(arch.topAltitudeDeg(), 0)
                + "\u00b0 high";
        return new AtMinute(
                Words.clock(when, plan.night().zone()),
                Words.clock(when, ZoneOffset.UTC),
                aimed,
                field,
                stance(arch),
                band,
                StarsView.of(proposal),
                tests(outing, proposal.seconds()),
                SkyStrip.of(plan, aim, outing.place().glow()));
    }

    private static String stance(Galaxy.Arch arch) {
        String side = arch.stance() == Galaxy.Stance.LEANING ? arch.risesToLeft() ? " left" : " right" : "";
        return arch.stance().words() + side;
    }

    private static List<TestRow> tests(Outing outing, double seconds) {
        List<TestRow> rows = new ArrayList<>();
        for (int iso = outing.body().topIso(); iso > outing.iso() && rows.size() < 3; iso /= 2) {
            double test = outing.compositionTest(seconds, iso);
            rows.add(new TestRow(
                    iso,
                    Words.number(test, test < 1 ? 2 : 1),
                    outing.body().dial().nearest(test).label()));
        }
        return rows;
    }

    private static List<CoreRow> core(SharpStars plan) {
        Optional<Interval> window = plan.window();
        if (window.isEmpty()) {
            return List.of();
        }
        Interval w = window.get();
        return List.of(row(plan, "start", w.from()), row(plan, "middle", w.middle()), row(plan, "end", w.to()));
    }

    private static CoreRow row(SharpStars plan, String name, Instant when) {
        Horizontal core = plan.night().core(when);
        return new CoreRow(
                name,
                Words.clock(when, plan.night().zone()),
                Words.number(core.refractedAltitudeDeg(), 1) + "\u00b0",
                Words.number(core.azimuthDeg(), 1) + "\u00b0",
                Angles.compass(core.azimuthDeg()),
                stance(plan.night().arch(when)));
    }

    private static List<SheetRow> sheet(SharpStars plan) {
        ZoneId zone = plan.night().zone();
        return RunSheet.of(plan).stream()
                .map(line -> new SheetRow(
                        Words.clockSeconds(line.when(), zone),
                        Words.clockSeconds(line.when(), ZoneOffset.UTC),
                        line.what(),
                        line.act()))
                .toList();
    }
}
