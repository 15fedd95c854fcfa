package dev.halfdusk.app.events;

import dev.halfdusk.app.pictures.PathText;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.SceneLight;
import dev.halfdusk.core.fireworks.LightWriting;
import dev.halfdusk.core.ground.Silhouette;
import dev.halfdusk.core.optics.Optics;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/**
 * Writing with light as its page shows it, in a frame drawn {@value #WIDTH} pixels wide.
 *
 * @param writing box of the letters
 * @param strokes loops as a hand would write that many letters
 * @param person path of the writer
 * @param ground of the writer's feet, pixels from the top
 */
record SparklersView(
        String seconds,
        String aperture,
        String iso,
        String distance,
        List<String> lines,
        int height,
        Box writing,
        String strokes,
        String person,
        double ground,
        double bucket) {

    private static final int WIDTH = 620;
    private static final double PERSON_M = 1.7;
    private static final double PERSON_WIDE_M = 0.75;
    private static final double HAND_M = 1.5;

    record Box(double x, double y, double width, double height) {}

    static SparklersView of(LightWriting w, Optics optics, double aperture, double iso) {
        double distance = w.distanceM(optics);
        double scale = optics.focalMm() / distance * WIDTH / optics.sensor().widthMm(); // pixels a metre there
        int height = (int)
                Math.round(WIDTH * optics.sensor().heightMm() / optics.sensor().widthMm());
        double ground = height * 0.5 + scale * (HAND_M - 0.2);
        double wide = w.widthM() * scale;
        double tall = w.letterM() * scale;
        Box writing = box((WIDTH - wide) / 2, ground - HAND_M * scale - tall / 2, wide, tall);
        return new SparklersView(
                Words.trimmed(w.seconds()),
                Words.trimmed(aperture),
                Words.trimmed(iso),
                Words.number(distance, 1),
                lines(w, aperture, iso),
                height,
                writing,
                strokes(w.letters(), writing),
                person(ground, scale),
                PathText.tenth(ground),
                PathText.tenth(WIDTH / 2.0 + Math.min(WIDTH * 0.45, LightWriting.CLEAR_M / 2 * scale)));
    }

    /** A loop a letter, from left to right. */
    private static String strokes(int letters, Box box) {
        double step = box.width / letters;
        double low = box.y + box.height;
        StringBuilder path = new StringBuilder("M" + PathText.tenth(box.x) + "," + PathText.tenth(low));
        for (int i = 0; i < letters; i++) {
            double x = box.x + i * step;
            double up = i % 2 == 0 ? box.y : box.y + 0.4 * box.height;
            path.append("C")
                    .append(PathText.tenth(x + 1.5 * step))
                    .append(',')
                    .append(PathText.tenth(up))
                    .append(' ')
                    .append(PathText.tenth(x - 0.5 * step))
                    .append(',')
                    .append(PathText.tenth(up - 0.2 * (low - up)))
                    .append(' ')
                    .append(PathText.tenth(x + step))
                    .append(',')
                    .append(PathText.tenth(low));
        }
        return path.toString();
    }

    private static String person(double ground, double scale) {
        StringBuilder path = new StringBuilder();
        for (Silhouette.Corner c : Silhouette.PERSON.corners()) {
            path.append(path.isEmpty() ? "M" : "L")
                    .append(PathText.tenth(WIDTH / 2.0 + c.across() * PERSON_WIDE_M * scale))
                    .append(',')
                    .append(PathText.tenth(ground - c.up() * PERSON_M * scale));
        }
        return path.append('z').toString();
    }

    private static Box box(double x, double y, double width, double height) {
        return new Box(PathText.tenth(x), PathText.tenth(y), PathText.tenth(width), PathText.tenth(height));
    }

    private static List<String> lines(LightWriting w, double aperture, double iso) {
        List<String> lines = new ArrayList<>();
        lines.add("The writing is " + Words.number(w.widthM(), 1)
                + " m wide; face the lens and write mirrored, or turn the picture over afterwards.");
        lines.add(
                w.burnsLongEnough()
                        ? "One sparkler lasts for it: a common one burns about "
                                + Words.number(LightWriting.BURNS_SECONDS, 0) + " s."
                        : "Longer than the " + Words.number(LightWriting.BURNS_SECONDS, 0)
                                + " s that a common sparkler burns: fewer letters, a quicker hand, or a lamp.");
        double ev = w.brightestEv(aperture, iso);
        lines.add("Surroundings at EV " + Words.number(ev, 1) + " or darker stay four stops below grey: " + where(ev)
                + ".");
        lines.add(
                "Begin a frame before the first stroke, end it after the last; dark clothes, keep moving, lamp off between words.");
        return lines;
    }

    /** Scenes that are too bright for it, the darkest of them. */
    private static String where(double ev) {
        return SceneLight.SCENES.stream()
                .filter(s -> s.ev() > ev)
                .min(Comparator.comparingDouble(SceneLight.Scene::ev))
                .map(s -> "not \u201c" + s.name().toLowerCase(Locale.ENGLISH) + "\u201d, EV " + Words.number(s.ev(), 1))
                .orElse("anywhere");
    }
}
