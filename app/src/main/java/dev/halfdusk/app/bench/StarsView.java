package dev.halfdusk.app.bench;

import dev.halfdusk.app.pictures.DriftPicture;
import dev.halfdusk.app.pictures.HistogramPicture;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.IsoChoice;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.exposure.RuleInFrame;
import dev.halfdusk.core.exposure.Tracking;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Framing;
import java.time.Duration;
import java.util.List;
import java.util.Locale;

/** Settings for stars, in the words and numbers of a page: the bench's first part, and the outing's panel. */
public record StarsView(
        String label,
        String aperture,
        int iso,
        String frames,
        String stack,
        String turn,
        String limit,
        String really,
        String worst,
        String median,
        String where,
        String middle,
        String tolerance,
        String sky,
        String ground,
        String peak,
        boolean peakFits,
        HistogramPicture histogram,
        DriftPicture drift,
        List<IsoRow> isos,
        List<RuleRow> rules,
        List<ReasonRow> reasons) {

    private static final int MANY = 100_000;

    /** One school's ISO. */
    public record IsoRow(
            String school, String how, int iso, String peak, String noise, String headroom, String remark) {}

    /** One school's shutter, and what it does in this frame. */
    public record RuleRow(String label, String formula, String seconds, String dial, String drift, boolean tooLong) {}

    /** One line of the working. */
    public record ReasonRow(String what, String value, String formula, String source) {}

    public static StarsView of(Proposal p) {
        Framing framing = p.request().framing();
        IsoChoice best = p.isos().get(0);
        return new StarsView(
                p.label(),
                Words.trimmed(Math.round(p.request().aperture() * 10) / 10.0),
                best.iso(),
                p.frames() > MANY ? "far too many" : Integer.toString(p.frames()),
                p.frames() > MANY
                        ? "not in one night"
                        : Words.span(Duration.ofMillis(Math.max(60_000, Math.round(p.stackSeconds() * 1000)))),
                p.frames() > MANY ? "\u2014" : Words.number(p.turnDeg(), 1) + "\u00b0",
                Words.number(p.limitSeconds(), p.limitSeconds() < 1 ? 2 : 1),
                Words.number(p.seconds(), p.seconds() < 1 ? 3 : 1),
                Words.number(worst(p), 1),
                Words.number(p.tracking().isPresent() ? worst(p) : p.drift().medianPx(), 1),
                p.tracking().isPresent() ? "everywhere" : p.drift().worstWhere(framing),
                p.tracking().isPresent() || p.drift().medianPx() == 0
                        ? null
                        : Words.number(
                                p.seconds()
                                        * p.request().tolerancePx()
                                        / p.drift().medianPx(),
                                1),
                Words.trimmed(p.request().tolerancePx()),
                Words.number(p.sky().medianMagnitude(), 2),
                p.tracking()
                        .map(t -> Words.number(t.groundPx(p.seconds()), 0) + " px")
                        .orElse(null),
                Words.number(best.peak(), 2),
                best.peak() >= IsoChoice.PEAK_FROM && best.peak() <= IsoChoice.PEAK_TO,
                HistogramPicture.of(p.histogram(), best.peak(), IsoChoice.PEAK_FROM, IsoChoice.PEAK_TO),
                DriftPicture.of(p.drift(), framing.optics().sensor()),
                p.isos().stream().map(StarsView::iso).toList(),
                rules(p),
                p.reasons().stream().map(StarsView::reason).toList());
    }

    /** On a tracker its error counts, not the turning sky. */
    private static double worst(Proposal p) {
        return p.tracking()
                .map((Tracking t) -> t.starPx(p.seconds()))
                .orElse(p.drift().worst().px());
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

    private static List<RuleRow> rules(Proposal p) {
        Proposal.Request r = p.request();
        double latitude = r.observer().site().latitudeDeg();
        Dial dial = r.rig().body().dial();
        return RuleInFrame.all(r.framing(), latitude, r.aperture(), dial).stream()
                .map(f -> new RuleRow(
                        f.rule().label(),
                        f.rule().formula(),
                        Words.number(f.seconds(), f.seconds() < 9.995 ? 2 : 1),
                        f.dial().map(Dial.Stop::label).orElse("\u2014"),
                        Words.number(f.worstPx(), 1),
                        f.worstPx() > r.tolerancePx() * 1.005))
                .toList();
    }

    private static ReasonRow reason(Reason r) {
        boolean whole = r.value() == Math.rint(r.value()) && Math.abs(r.value()) >= 1;
        String number = whole
                ? String.format(Locale.ROOT, "%.0f", r.value())
                : Words.number(r.value(), Math.abs(r.value()) >= 1000 ? 0 : 2);
        String unit = r.unit().equals("\u2033") || r.unit().isEmpty() ? r.unit() : " " + r.unit();
        return new ReasonRow(r.what(), number + unit, r.formula(), r.source());
    }
}
