package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Settings;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * One of the six causes of a soft picture, with what speaks for it or against it.
 *
 * @param number in which order they are gone through
 * @param evidence measured; or what is to be asked, where it cannot be measured
 */
public record SoftCause(int number, String words, Sign sign, String evidence) {

    /** How it stands. */
    public enum Sign {
        FOR("likely"),
        AGAINST("no"),
        ASK("cannot be measured");

        private final String words;

        Sign(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    private static final double NOISY = 0.3;
    private static final double SOFT_GROUND = 2.2;
    private static final double CORNER = 1.5;

    /** All six, in their order. */
    public static List<SoftCause> of(FrameReading r) {
        List<SoftCause> all = new ArrayList<>();
        depth(r, all);
        shutter(r, all);
        noise(r, all);
        focus(r, all);
        technique(r, all);
        lens(r, all);
        return List.copyOf(all);
    }

    private static void add(List<SoftCause> all, String words, Sign sign, String evidence) {
        all.add(new SoftCause(all.size() + 1, words, sign, evidence));
    }

    private static double stars(FrameReading r) {
        return r.moon().map(MoonReading::edgePx).orElse(r.widthPx().orElse(0));
    }

    private static void depth(FrameReading r, List<SoftCause> all) {
        String words = "depth at this aperture";
        double stars = stars(r);
        Optional<GroundReading> ground = r.ground().filter(g -> g.edgePx() > 0);
        if (ground.isEmpty() || stars == 0) {
            add(
                    all,
                    words,
                    stars > 0 ? Sign.AGAINST : Sign.ASK,
                    stars > 0
                            ? "all that is measured is as far as the stars"
                            : "Is something near soft while what is far is sharp, or the other way round?");
            return;
        }
        double edge = ground.get().edgePx();
        String both = Numbers.text("ground %.1f px, stars %.1f", edge, stars);
        add(all, words, edge > SOFT_GROUND * stars || stars > SOFT_GROUND * edge ? Sign.FOR : Sign.AGAINST, both);
    }

    private static void shutter(FrameReading r, List<SoftCause> all) {
        String words = "shutter, against drift and hand";
        if (r.lengthPx().isEmpty() && r.moon().isEmpty()) {
            add(all, words, Sign.ASK, "Was it longer than 1/focal length in the hand?");
            return;
        }
        double length = r.moon().map(MoonReading::smearPx).orElse(r.lengthPx().orElse(0));
        double allowed = Judge.allowedPx(r);
        add(
                all,
                words,
                length > allowed ? Sign.FOR : Sign.AGAINST,
                Numbers.text(
                        "drawn out by %.1f px one way, %.1f tolerated%s",
                        length,
                        allowed,
                        r.known()
                                .settings()
                                .map(s -> Numbers.text(", in %s s", Numbers.trimmed(s.seconds(), 3)))
                                .orElse("")));
    }

    private static void noise(FrameReading r, List<SoftCause> all) {
        String words = "noise, or darkness lifted";
        double noise = r.sky().noise();
        if (r.moon().isPresent()) {
            add(all, words, Sign.ASK, "Grain at full size, with its edges still there?");
            return;
        }
        add(
                all,
                words,
                noise > NOISY ? Sign.FOR : Sign.AGAINST,
                Numbers.text(
                        "a pixel differs by %.0f %% of the sky%s",
                        100 * noise,
                        r.known()
                                .settings()
                                .map(Settings::iso)
                                .map(i -> Numbers.text(" at ISO %.0f", i))
                                .orElse("")));
    }

    private static void focus(FrameReading r, List<SoftCause> all) {
        String words = "focus: its mode, its point";
        double stars = stars(r);
        if (stars == 0) {
            add(all, words, Sign.ASK, "Is anything in it sharp, at another distance?");
            return;
        }
        double sharp = r.moon().isPresent() ? MoonJudge.EDGE_PX : Judge.SHARP_PX;
        add(
                all,
                words,
                stars > sharp ? Sign.FOR : Sign.AGAINST,
                Numbers.text("%.1f px wide, up to %.1f is sharp", stars, sharp));
    }

    private static void technique(FrameReading r, List<SoftCause> all) {
        String words = "technique, wind and air";
        if (r.twins().isPresent()) {
            Twins t = r.twins().get();
            add(all, words, Sign.FOR, Numbers.text("stars stand twice, %.0f px apart", t.stepPx()));
            return;
        }
        if (r.ground().map(g -> g.twicePx() > 0).orElse(false)) {
            add(all, words, Sign.FOR, "the ground stands twice");
            return;
        }
        boolean odd = Judge.of(r, Optional.empty()).stream()
                .anyMatch(f -> f.cause() == Cause.SHAKE || f.cause() == Cause.TRACKING);
        add(
                all,
                words,
                odd ? Sign.FOR : Sign.ASK,
                odd
                        ? "drawn out one way that the sky did not move"
                        : "Touched? Windy? Stabiliser on, on a tripod? Take three: what changes is the air.");
    }

    private static void lens(FrameReading r, List<SoftCause> all) {
        String words = "the lens, last of all";
        double middle = r.middle().map(StarShape::widthPx).orElse(0.0);
        double corner = r.corners().stream()
                .flatMap(c -> c.shape().stream())
                .mapToDouble(StarShape::widthPx)
                .max()
                .orElse(0);
        if (middle == 0 || corner == 0) {
            add(all, words, Sign.ASK, "Only with this lens, and always?");
            return;
        }
        add(
                all,
                words,
                corner > CORNER * middle ? Sign.FOR : Sign.AGAINST,
                Numbers.text("widest corner %.1f px, the middle %.1f", corner, middle));
    }
}
