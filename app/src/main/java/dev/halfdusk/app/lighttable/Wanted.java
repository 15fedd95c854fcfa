package dev.halfdusk.app.lighttable;

import dev.halfdusk.core.assembly.Averaging;
import dev.halfdusk.core.assembly.Developing;
import dev.halfdusk.core.assembly.TrailOptions;
import dev.halfdusk.core.measure.Range;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/**
 * What is to become of frames.
 *
 * @param trails how trails are drawn; a clip is evened out or not by it
 * @param averaging of a stack, of the sky in a blend
 * @param landStill whether the land of a stack stays where it is
 * @param perSecond frames that a clip shows
 */
public record Wanted(What what, TrailOptions trails, Averaging averaging, boolean landStill, double perSecond) {

    public static final Range PER_SECOND = new Range("frames per second", 2, 60, " a second");

    public Wanted {
        PER_SECOND.check(perSecond);
    }

    /** Pictures that frames are put together to. */
    public enum What {
        TRAILS("Trails", "each pixel's lightest: the stars' way through the night", Developing.Subject.TRAILS),
        STACK("Stack", "the same sky many times: less noise, nothing that flew across", Developing.Subject.STARS),
        BLEND("Sky and land", "a stacked sky over the land of frames that were open longer", Developing.Subject.STARS),
        CONTEST(
                "Low ISO against high",
                "the lower lifted to the higher's brightness: which has less noise",
                Developing.Subject.STARS),
        WAY("The moon's way", "each disc where it stood, over one land", Developing.Subject.MOON),
        PHASES("Phases in a row", "each disc in a cell of its own, all of one size", Developing.Subject.MOON),
        MOON("Averaged moon", "a burst laid over its sharpest by limb and drawing", Developing.Subject.MOON),
        GLOW("Moon and land", "the disc of a short exposure in the glow of a long one", Developing.Subject.LAND),
        LIGHTEST(
                "Lightest of all",
                "bursts over one skyline, land that a lamp painted bit by bit",
                Developing.Subject.BURSTS),
        CLIP("Clip", "one after the other, as a film", Developing.Subject.TRAILS);

        private final String words;
        private final String about;
        private final Developing.Subject subject;

        What(String words, String about, Developing.Subject subject) {
            this.words = words;
            this.about = about;
            this.subject = subject;
        }

        public String words() {
            return words;
        }

        public String about() {
            return about;
        }

        Developing.Subject subject() {
            return subject;
        }

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        static Optional<What> of(String key) {
            return Arrays.stream(values()).filter(w -> w.key().equals(key)).findFirst();
        }
    }
}
