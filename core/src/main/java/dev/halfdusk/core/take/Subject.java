package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.fireworks.Display;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.sequence.Panorama;
import dev.halfdusk.core.sequence.Program;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/**
 * What is photographed. A new subject is one record of this and its line in {@link Subjects}: whatever schedules, stores, prints,
 * exports or runs takes knows only {@link Kind} and {@link Plan}.
 */
public interface Subject {

    Kind kind();

    /** Of its parameters, in the order of its kind. */
    List<Double> values();

    /** What a take of it comes to in a night. */
    Plan plan(Take take, Circumstances c);

    /** When it is usually wished for. */
    default Wish usual() {
        return Wish.of(Wish.Kind.DARK);
    }

    /** Where the camera looks when nobody says otherwise. */
    default Direction aim(Circumstances c, Instant t) {
        return c.night().aim(t).direction();
    }

    /** The same for a take whose frame decides, or that comes for another sight than the core. */
    default Direction aim(Take take, Circumstances c, Instant t) {
        Sight sight = take.wish().asked().sight();
        Direction at = take.wish().showing(c).at(t);
        return sight.equals(Sight.CORE) || at.altitudeDeg() <= 0 || !followsSight() ? aim(c, t) : at;
    }

    /** Whether the camera looks at what one comes for, where nobody aims it. */
    default boolean followsSight() {
        return needs().contains(Need.DARK);
    }

    /** How each frame is opened and closed, where a hand does it and no timer. */
    default Optional<String> byHand() {
        return Optional.empty();
    }

    /** Whether its settings can be decided otherwise; a script's or a ladder's are decided in its own numbers. */
    default boolean decides() {
        return true;
    }

    /** Its program with what is decided; the whole of it where nothing of it is exposed for something else. */
    default Program decided(DecidedProgram decision, Program proposed) {
        return decision.of(proposed);
    }

    /** Whether its frames are exposed for stars as points, so that what its owner decides of those holds for it. */
    default boolean starsAsPoints() {
        return false;
    }

    /** Which dial is turned first after a test frame, and which then. */
    default List<Correction.Dialled> turnsFirst() {
        return Correction.STARS;
    }

    /** How long its shutter may be open at an instant before something smears; the longest that anyone waits where nothing does. */
    default double longestSeconds(Take take, Circumstances c, Instant t) {
        return starsAsPoints() ? take.setup(c, t).proposal().limitSeconds() : LONGEST_SECONDS;
    }

    double LONGEST_SECONDS = 900;

    /** The same with settings among its own numbers; empty where it has none. */
    default Optional<Subject> exposed(Settings to) {
        return Optional.empty();
    }

    /** How it is taken brighter and darker than it should be. */
    default Bracketing bracketing() {
        return Bracketing.NONE;
    }

    /** Whose frames can be a bracket. */
    enum Bracketing {
        /** They belong together as they are. */
        NONE,
        /** Each frame by the shutter. */
        BY_SHUTTER,
        /** The subject brackets by itself, with more than the shutter. */
        OWN
    }

    /** Where the camera looks when its composition is found. */
    default Direction looks(Take take, Circumstances c, Instant t) {
        return take.setup(c, t).pointing().axis();
    }

    /** What is focused on when it begins at an instant. */
    default Focus focus(Take take, Circumstances c, Instant t) {
        return Focus.STARS;
    }

    /** Why it is exposed so when it begins at an instant; empty where it is exposed as is proposed for the sky. */
    default Optional<List<Reason>> reasons(Take take, Circumstances c, Instant t, Program program) {
        return Optional.empty();
    }

    /** How the camera is turned from frame to frame; none where it stays. */
    default List<Panorama.Turn> turns(Take take, Circumstances c, Instant t) {
        return List.of();
    }

    /** The f-number that people take for it with a rig; the widest where light is what lacks. */
    default double usualAperture(Rig rig, double onLensMm) {
        Range range = rig.apertures(onLensMm);
        double sharpest = range.nearest(rig.lens().sharpest().orElse(range.min()));
        return Stops.ofApertures(range.min(), sharpest) <= BARELY_DARKER ? sharpest : range.min();
    }

    /** A lens is closed to where it is sharpest if that costs no more light than this, stops. */
    double BARELY_DARKER = 1.05;

    /** The focal length that people take for it with a zoom, on the lens. */
    default double usualFocalMm(Rig rig) {
        return rig.lens().shortestMm();
    }

    /** What it asks of the sky. */
    default Set<Need> needs() {
        return Set.of(Need.DARK);
    }

    /** What it needs beside camera and tripod, in words. */
    default List<String> bag() {
        return List.of();
    }

    /** Whether its frames are laid over each other by their lighter pixels. */
    default boolean layered() {
        return false;
    }

    /** Shells that are in its frames. */
    default Optional<Display> display() {
        return Optional.empty();
    }

    /** What may hurt someone. */
    default List<Caution> cautions() {
        return List.of();
    }

    /** The same so that it lasts about so long; empty where its length follows from what it shows. */
    default Optional<Subject> lasting(Duration wanted, Plan now) {
        return Optional.empty();
    }

    /** Whether its settings follow a light that nobody knows beforehand, so that they can be shifted on the night. */
    default boolean shifts() {
        return false;
    }

    /**
     * The same exposed brighter by some stops than what is really shot at an instant; empty where its settings cannot be shifted, or no
     * farther.
     */
    default Optional<Subject> brighter(double stops, Take take, Circumstances c, Instant at) {
        return Optional.empty();
    }

    /** Whether how bright it is exposed is a matter of taste. */
    default boolean tasted() {
        return false;
    }

    /** Stops by which it is exposed otherwise than proposed already, as far as it says so itself. */
    default double ownStops() {
        return 0;
    }

    /** The same take, exposed by so many stops otherwise than proposed; empty where that is no matter of taste. */
    default Optional<Take> shifted(double stops, Take take) {
        return Optional.empty();
    }

    /** Stops by which the rig gives less light at an instant than is wanted; 0 where it gives enough. */
    default double shortStops(Take take, Circumstances c, Instant at) {
        return 0;
    }

    /**
     * A number that a subject is made with.
     *
     * @param name in files: "arcDeg"
     * @param words on the page: "arc"
     * @param usual to begin with
     * @param sort how it is asked for
     * @param options of a choice, by their number from 0
     */
    record Parameter(String name, String words, Range range, double usual, Sort sort, List<String> options) {

        /** How a number is asked for. */
        public enum Sort {
            NUMBER,
            WHOLE,
            YES_NO,
            CHOICE
        }

        static Parameter number(String name, String words, Range range, double usual) {
            return new Parameter(name, words, range, usual, Sort.NUMBER, List.of());
        }

        static Parameter whole(String name, String words, Range range, double usual) {
            return new Parameter(name, words, range, usual, Sort.WHOLE, List.of());
        }

        static Parameter yesNo(String name, String words) {
            return new Parameter(name, words, new Range(words, 0, 1, ""), 0, Sort.YES_NO, List.of());
        }

        /** The first of them is usual. */
        static Parameter choice(String name, String words, String... options) {
            return new Parameter(
                    name, words, new Range(words, 0, options.length - 1, ""), 0, Sort.CHOICE, List.of(options));
        }
    }

    /**
     * A sort of subject.
     *
     * @param key in files and addresses: "trails"
     * @param words on the page: "star trails"
     * @param make from the values of its parameters, in their order
     */
    record Kind(String key, String words, List<Parameter> parameters, Function<List<Double>, Subject> make) {

        public Kind {
            parameters = List.copyOf(parameters);
        }

        /** As one begins with it. */
        public Subject usual() {
            return of(parameters.stream().map(Parameter::usual).toList());
        }

        /** @throws dev.halfdusk.core.measure.OutOfRange for a value that may not be, IllegalArgumentException for too few */
        public Subject of(List<Double> values) {
            if (values.size() != parameters.size()) {
                throw new IllegalArgumentException(words + " takes " + parameters.size() + " numbers");
            }
            List<Double> checked = new ArrayList<>();
            for (int i = 0; i < values.size(); i++) {
                double v = parameters.get(i).range().check(values.get(i));
                checked.add(parameters.get(i).sort() == Parameter.Sort.NUMBER ? v : Math.rint(v));
            }
            return make.apply(checked);
        }
    }
}
