package dev.halfdusk.app.setup;

import dev.halfdusk.app.pictures.DriftPicture;
import dev.halfdusk.app.pictures.HistogramPicture;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.CompositionFrame;
import dev.halfdusk.core.exposure.IsoChoice;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.exposure.Sharp;
import dev.halfdusk.core.exposure.Stacking;
import dev.halfdusk.core.exposure.TrailingInFrame;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Dial;
import java.time.Duration;
import java.util.List;

/** A proposal in the words and numbers of a page. */
public record ProposalView(
        Clicks set,
        Sharpness sharp,
        Stack stack,
        Peak peak,
        DriftPicture drift,
        List<TestRow> tests,
        List<IsoRow> isos,
        List<RuleRow> rules,
        List<ReasonRow> reasons,
        List<ReasonRow> warnings) {

    /** What to set. */
    public record Clicks(String shutter, String aperture, int iso) {}

    /**
     * How far stars go.
     *
     * @param who must stay within the tolerance
     * @param limit longest seconds in which they do
     * @param judged drift at the click that none of them exceeds
     * @param others what it would be for everyone else who may matter; empty on a tracker
     * @param ground smear of the ground on a tracker; empty without one
     */
    public record Sharpness(
            String who,
            String tolerance,
            String limit,
            String judged,
            String worst,
            String where,
            String median,
            List<Limit> others,
            String ground) {}

    /** Longest shutter for those who may have to stay sharp. */
    public record Limit(String who, String seconds, boolean chosen) {}

    /** Frames, their time and how far the sky turns meanwhile; null where stacking is pointless. */
    public record Stack(String frames, String time, String turn) {}

    /**
     * Where the sky's peak stands on the histogram.
     *
     * @param wanted words for the part of the axis where it should stand
     */
    public record Peak(String at, boolean fits, String wanted, String sky, HistogramPicture histogram) {}

    /** Composition frame at one ISO. */
    public record TestRow(int iso, String seconds, String dial) {}

    /** One school's ISO. */
    public record IsoRow(
            String school, String how, int iso, String peak, String noise, String headroom, String remark) {}

    /**
     * One school's shutter, and what it does in this frame.
     *
     * @param over pixels over the tolerance; empty within it
     */
    public record RuleRow(String label, String formula, String seconds, String dial, String drift, String over) {}

    /** One line of the working. */
    public record ReasonRow(String what, String value, String formula, String source) {}

    public static ProposalView of(Proposal p) {
        IsoChoice best = p.isos().get(0);
        double tolerance = p.setup().demand().tolerancePx();
        return new ProposalView(
                new Clicks(p.label(), Numbers.trimmed(p.settings().aperture(), 1), best.iso()),
                sharpness(p, tolerance),
                p.stack().map(ProposalView::stack).orElse(null),
                new Peak(
                        Words.number(best.peak(), 2),
                        best.peakFits(),
                        Words.trimmed(IsoChoice.PEAK_FROM) + " to " + Words.trimmed(IsoChoice.PEAK_TO),
                        Words.number(p.sky().medianMagnitude(), 2),
                        HistogramPicture.of(p.histogram(), best.peak(), IsoChoice.PEAK_FROM, IsoChoice.PEAK_TO)),
                DriftPicture.of(p.drift(), p.setup().optics().sensor()),
                p.compositionFrames().stream().map(ProposalView::test).toList(),
                p.isos().stream().map(ProposalView::iso).toList(),
                p.rules().stream().map(r -> rule(r, tolerance)).toList(),
                p.reasons().stream().map(ProposalView::reason).toList(),
                p.warnings().stream().map(ProposalView::reason).toList());
    }

    private static Sharpness sharpness(Proposal p, double tolerance) {
        boolean tracked = p.tracking().isPresent();
        Sharp chosen = p.setup().demand().sharp();
        return new Sharpness(
                tracked ? Sharp.ALL.words() : chosen.words(),
                Words.trimmed(tolerance),
                seconds(p.limitSeconds()),
                Words.number(p.judgedPx(), 1),
                Words.number(p.worstPx(), 1),
                tracked ? "everywhere" : p.drift().worstWhere(p.setup().framing()),
                Words.number(p.medianPx(), 1),
                p.limits().entrySet().stream()
                        .map(e -> new Limit(e.getKey().words(), seconds(e.getValue()), e.getKey() == chosen))
                        .toList(),
                p.tracking()
                        .map(t -> Words.number(t.groundPx(p.settings().seconds()), 0) + " px")
                        .orElse(""));
    }

    private static String seconds(double seconds) {
        return Words.number(seconds, seconds < 1 ? 2 : 1);
    }

    private static Stack stack(Stacking s) {
        Duration time = Duration.ofMillis(Math.max(60_000, Math.round(s.seconds() * 1000)));
        return new Stack(Integer.toString(s.frames()), Words.span(time), Words.number(s.turnDeg(), 1) + "\u00b0");
    }

    private static TestRow test(CompositionFrame f) {
        double seconds = f.settings().seconds();
        return new TestRow((int) f.settings().iso(), seconds(seconds), f.click().label());
    }

    private static IsoRow iso(IsoChoice c) {
        return new IsoRow(
                c.school(),
                c.how(),
                c.iso(),
                Words.number(c.peak(), 2),
                Words.number(100 * c.readNoiseShare(), 0) + " %",
                Words.number(c.headroomStops(), 1),
                c.remark());
    }

    private static RuleRow rule(TrailingInFrame f, double tolerance) {
        return new RuleRow(
                f.rule().label(),
                f.rule().formula(),
                Words.number(f.seconds(), f.seconds() < 9.995 ? 2 : 1),
                f.dial().map(Dial.Stop::label).orElse("\u2014"),
                Words.number(f.px(), 1),
                f.overPx(tolerance) > 0 ? Words.number(f.overPx(tolerance), 1) : "");
    }

    public static ReasonRow reason(Reason r) {
        boolean whole = r.value() == Math.rint(r.value()) && Math.abs(r.value()) >= 1;
        String number = Words.number(r.value(), whole || Math.abs(r.value()) >= 1000 ? 0 : 2);
        String unit = r.unit().equals("\u2033") || r.unit().isEmpty() ? r.unit() : " " + r.unit();
        return new ReasonRow(r.what(), number + unit, r.formula(), r.source());
    }
}
