package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.IsoChoice;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Depth;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;

/** What a photographer has decided, judged in the words in which what is proposed is: what it costs, what it saves. */
final class Judgement {

    private final Take take;
    private final Circumstances c;
    private final Instant opening;
    private final Decision decision;
    private final CameraBody body;
    private final List<Reason> all = new ArrayList<>();

    private Judgement(Take take, Circumstances c, Instant opening) {
        this.take = take;
        this.c = c;
        this.opening = opening;
        decision = take.decision();
        body = take.camera().rig().body();
    }

    /**
     * @param set settings of its first frame
     * @param ours what would be proposed for that
     * @param sky the proposal for stars, worked out where it is needed
     */
    static List<Reason> of(
            Take take,
            Circumstances c,
            Instant opening,
            Settings set,
            Supplier<Settings> ours,
            Supplier<Proposal> sky) {
        Judgement j = new Judgement(take, c, opening);
        if (take.subject().decides() && take.decision().fixes()) {
            j.exposure(set, ours.get());
            if (take.subject().needs().contains(Need.DARK)) {
                j.stars(set, sky.get());
                j.noise(set, ours.get(), sky.get());
            }
        }
        j.bracket();
        j.inCamera(set);
        j.focus();
        return j.all;
    }

    private void exposure(Settings set, Settings ours) {
        all.add(new Reason(
                "As you decided, against what is proposed",
                Stops.of(set.seconds() * set.iso() / (ours.seconds() * ours.iso())),
                "stops",
                Numbers.text(
                        "%s s at ISO %.0f; proposed %s s at ISO %.0f%s",
                        label(set), set.iso(), label(ours), ours.iso(), lacking(set)),
                "t \u00d7 ISO"));
    }

    /** Said where the body has become another since and cannot be set to the ISO that was decided. */
    private String lacking(Settings set) {
        double asked = decision.light().iso().orElse(set.iso());
        return Math.abs(Stops.of(set.iso() / asked)) > Dial.THIRD_STOP
                ? Numbers.text("; this body has no ISO %.0f", asked)
                : "";
    }

    private String label(Settings s) {
        return body.label(s.seconds());
    }

    private void stars(Settings set, Proposal p) {
        Setup setup = p.setup();
        double drift = p.driftPx(set.seconds());
        double peak = p.light().during(set.seconds()).peak((int) set.iso());
        String kept = drift > setup.demand().tolerancePx() ? "more than" : "within";
        all.add(new Reason(
                "Stars that matter drift by",
                drift,
                "px",
                Numbers.text(
                        "%s the %.1f that were to be kept", kept, setup.demand().tolerancePx()),
                "this frame"));
        all.add(new Reason(
                "Peak of the sky",
                peak,
                "of the axis",
                Numbers.text("%.2f to %.2f is wanted", IsoChoice.PEAK_FROM, IsoChoice.PEAK_TO),
                "sRGB curve of electrons / white"));
    }

    /** Of one frame's sky, brought to the same brightness. */
    private void noise(Settings set, Settings ours, Proposal p) {
        double asProposed = noiseShare(ours, p);
        double asSet = noiseShare(set, p);
        Response r = body.response();
        all.add(new Reason(
                "Noise of the sky, against the proposed",
                asSet / asProposed,
                "times",
                Numbers.text(
                        "read noise %.1f against %.1f electrons; %.1f against %.1f stops between noise and white",
                        r.readNoiseE(set.iso()),
                        r.readNoiseE(ours.iso()),
                        r.rangeStops(set.iso()),
                        r.rangeStops(ours.iso())),
                "\u221a(sky + read\u00b2) / sky"));
    }

    private double noiseShare(Settings s, Proposal p) {
        double sky = p.light().skyPerSecond() * s.seconds();
        double read = body.response().readNoiseE(s.iso());
        return Math.sqrt(sky + read * read) / sky;
    }

    private void bracket() {
        BracketPattern pattern = decision.light().bracket();
        if (pattern.isEmpty()) {
            return;
        }
        boolean brackets = take.subject().bracketing() != Subject.Bracketing.NONE;
        all.add(new Reason(
                brackets ? "Bracket, as you decided" : "A bracket is not taken here",
                brackets ? pattern.spread() : 0,
                "stops",
                brackets
                        ? pattern.text() + ": from its darkest to its brightest frame"
                        : "its frames belong together: " + take.subject().kind().words(),
                "as you decided"));
    }

    private void inCamera(Settings set) {
        Decision.InCamera in = decision.inCamera();
        double dark = in.noiseReduction().darkSeconds(set.seconds());
        if (dark > 0) {
            all.add(new Reason(
                    "Noise reduction takes a dark frame after each, of",
                    dark,
                    "s",
                    take.subject().layered()
                            ? "it breaks every trail: take dark frames with the cap on at the end instead"
                            : "the camera is blind for as long as it was open; dark frames at the end are then not needed",
                    "counted in the pause"));
        }
        if (in.smoothing()) {
            all.add(new Reason(
                    "Noise reduction of high ISO is on",
                    set.iso(),
                    "ISO",
                    take.subject().needs().contains(Need.DARK)
                            ? "it takes small stars for noise and eats them; raw files stay as they are"
                            : "it eats sparks and fine drawing; raw files stay as they are",
                    "in files that are not raw"));
        }
    }

    private void focus() {
        Focus proposed = take.subject().focus(take, c, opening);
        decision.focused(proposed).ifPresent(f -> {
            Setup setup = take.setup(c, opening);
            Depth depth = setup.depth(Depth.pixelCircleMm(setup.optics().sensor()));
            if (Double.isInfinite(f.metres())) {
                all.add(new Reason(
                        "Focused far away: sharp from",
                        depth.nearAtStarsM(),
                        "m",
                        Numbers.text("f/%.1f; what is nearer is soft, on purpose or not", setup.aperture()),
                        "circle of two pixels"));
                return;
            }
            double far = depth.farM(f.metres());
            all.add(new Reason(
                    Numbers.text("Focused at %.1f m: stars are spots of", f.metres()),
                    depth.blurAtStarsMm(f.metres())
                            * 1000
                            / setup.optics().sensor().pitchUm(),
                    "px",
                    Numbers.text(
                            "f/%.1f: sharp from %.1f m to %s",
                            setup.aperture(),
                            depth.nearM(f.metres()),
                            Double.isInfinite(far) ? "the stars" : Numbers.trimmed(far, 1) + " m"),
                    "f\u00b2 / (N (s \u2212 f))"));
        });
    }
}
