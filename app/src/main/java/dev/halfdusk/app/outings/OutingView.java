package dev.halfdusk.app.outings;

import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.pictures.SkyStrip;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.setup.Asked;
import dev.halfdusk.app.setup.ProposalView;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NightWords;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.IsoChoice;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.outing.RunSheet;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Horizontal;
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

    /** What depends on the minute. */
    public record AtMinute(
            Asked asked,
            String utc,
            String aim,
            String stance,
            String arch,
            ProposalView proposal,
            OwnIso own,
            SkyStrip picture) {}

    /** What the ISO that was meant to be used does here. */
    public record OwnIso(int iso, String peak, String remark) {}

    /** The core at one instant of its window. */
    public record CoreRow(String when, String clock, String altitude, String azimuth, String compass, String stance) {}

    public record SheetRow(String clock, String utc, String what, boolean act) {}

    /** @param minute after local noon; empty for the plan's own best minute */
    public static OutingView of(Outing outing, Skies skies, Optional<Integer> minute) {
        Night night = outing.night(skies);
        Ribbon ribbon = Ribbon.of(night, outing.place().glow());
        int shown = ribbon.clamp(minute.orElseGet(() -> night.minute(night.best())));
        return new OutingView(
                outing,
                Words.night(night.date()),
                Form.NIGHTS.near(night.date(), -1, night.zone()),
                Form.NIGHTS.near(night.date(), 1, night.zone()),
                NightWords.moon(night),
                NightWords.verdict(night),
                ribbon,
                shown,
                ribbon.at(shown),
                atMinute(outing.asked(night, night.at(shown)), outing.iso()),
                core(night),
                sheet(night),
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

    private static AtMinute atMinute(Asked asked, int iso) {
        Proposal proposal = asked.proposal();
        Galaxy.Arch arch = asked.night().arch(asked.when());
        IsoChoice own = IsoChoice.own(iso, proposal.light(), asked.setup().rig().body());
        return new AtMinute(
                asked,
                Words.clock(asked.when(), ZoneOffset.UTC),
                (asked.atCore() ? "" : "core is down; looking ") + asked.looking(),
                stance(arch),
                NightWords.arch(arch),
                ProposalView.of(proposal),
                new OwnIso(iso, Words.number(own.peak(), 2), own.remark()),
                SkyStrip.of(asked.night(), asked.setup()));
    }

    private static String stance(Galaxy.Arch arch) {
        String side = arch.stance() == Galaxy.Stance.LEANING ? arch.risesToLeft() ? " left" : " right" : "";
        return arch.stance().words() + side;
    }

    private static List<CoreRow> core(Night night) {
        Optional<Interval> window = night.coreWindow();
        if (window.isEmpty()) {
            return List.of();
        }
        Interval w = window.get();
        return List.of(row(night, "start", w.from()), row(night, "middle", w.middle()), row(night, "end", w.to()));
    }

    private static CoreRow row(Night night, String name, Instant when) {
        Horizontal core = night.core(when);
        return new CoreRow(
                name,
                Words.clock(when, night.zone()),
                Words.number(core.refractedAltitudeDeg(), 1) + "\u00b0",
                Words.number(core.azimuthDeg(), 1) + "\u00b0",
                Angles.compass(core.azimuthDeg()),
                stance(night.arch(when)));
    }

    private static List<SheetRow> sheet(Night night) {
        ZoneId zone = night.zone();
        return RunSheet.of(night).stream()
                .map(line -> new SheetRow(
                        Words.clockSeconds(line.when(), zone),
                        Words.clockSeconds(line.when(), ZoneOffset.UTC),
                        line.what(),
                        line.act()))
                .toList();
    }
}
