package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.MeteorShower;
import dev.halfdusk.core.sky.Moment;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * A shower of meteors: frame after frame without gaps, wide open, as long as one has time. Its sight is the radiant; the camera looks
 * beside it, where trails are longer.
 *
 * @param minutes that it runs
 */
public record Meteors(double minutes) implements Subject {

    private static final Range MINUTES = new Range("minutes", 5, 720, " min");

    public static final Kind KIND = new Kind(
            "meteors",
            "meteor shower",
            List.of(Parameter.number("minutes", "minutes", MINUTES, 120)),
            v -> new Meteors(v.get(0)));

    /** A camera is ready again after so long; meteors of that time are lost. */
    private static final double PAUSE = 1;

    /** Beside the radiant, where trails are long and not yet few. */
    private static final double BESIDE_DEG = 40;

    private static final double HIGH_DEG = 50;

    /** Fainter ones leave no trail on a wide lens, which is seen at once. */
    private static final double SHOWS_TO = 2;

    /** Sky that an observer overlooks, whose count a rate is. */
    private static final double OVERLOOKED_SR = 2.5;

    private static final int MOST_FRAMES = 9999;

    @Override
    public Kind kind() {
        return KIND;
    }

    @Override
    public List<Double> values() {
        return List.of(minutes);
    }

    @Override
    public Set<Need> needs() {
        return Set.of(Need.DARK);
    }

    @Override
    public List<String> bag() {
        return List.of(
                "interval timer", "heater band", "a second battery and an empty card", "a chair and something warm");
    }

    @Override
    public boolean starsAsPoints() {
        return true;
    }

    @Override
    public boolean followsSight() {
        return false;
    }

    @Override
    public Optional<Subject> lasting(Duration wanted, Plan now) {
        return Optional.of(new Meteors(MINUTES.nearest(Math.rint(wanted.toSeconds() / 60.0))));
    }

    /** Half way up beside the radiant; below it where it stands overhead. */
    @Override
    public Direction aim(Take take, Circumstances c, Instant t) {
        if (take.wish().asked().sight().shower().isEmpty()) {
            return aim(c, t);
        }
        Direction radiant = take.wish().showing(c).at(t);
        if (radiant.altitudeDeg() > 90 - BESIDE_DEG) {
            return new Direction(radiant.azimuthDeg(), HIGH_DEG);
        }
        return Direction.of(turned(radiant));
    }

    /** Of the two places half way up that lie so far from the radiant the one to its right. */
    private static Vector turned(Direction radiant) {
        double up = Math.toRadians(HIGH_DEG);
        double low = Math.toRadians(radiant.altitudeDeg());
        double cos =
                (Math.cos(Math.toRadians(BESIDE_DEG)) - Math.sin(up) * Math.sin(low)) / (Math.cos(up) * Math.cos(low));
        double aside = Math.toDegrees(Math.acos(Math.max(-1, Math.min(1, cos))));
        return new Direction(radiant.azimuthDeg() + aside, HIGH_DEG).vector();
    }

    @Override
    public Plan plan(Take take, Circumstances c) {
        Planning planning = Planning.of(take, c);
        return planning.plan(
                false,
                t -> {
                    Proposal p = planning.proposal(t);
                    int frames = (int) Math.floor(60 * minutes / (p.settings().seconds() + PAUSE));
                    return Program.of(
                            "meteors",
                            new Program.Step(
                                    t,
                                    p.settings(),
                                    Math.max(1, Math.min(MOST_FRAMES, frames)),
                                    PAUSE,
                                    FileFormat.RAW,
                                    "without gaps"));
                },
                List.of(
                        "Dew on the front element: it runs for hours.",
                        "The battery ends in the best hour: change it between frames.",
                        "Keep every frame until all have been looked through: most meteors are faint."));
    }

    /** How the sky asks for it, and how many meteors a frame may hope for. */
    @Override
    public Optional<List<Reason>> reasons(Take take, Circumstances c, Instant t, Program program) {
        List<Reason> all = new ArrayList<>(take.setup(c, t).proposal().reasons());
        take.wish().asked().sight().shower().ifPresent(s -> all.add(0, hoped(s, take.optics(), c, t)));
        return Optional.of(all);
    }

    private static Reason hoped(MeteorShower shower, Optics optics, Circumstances c, Instant t) {
        Moment moment = Moment.at(t);
        double dark = shower.hourlyRate(moment, c.night().observer(), 6.5);
        double field = Math.toRadians(optics.widthDeg()) * Math.toRadians(optics.heightDeg());
        double hoped = dark * shower.shareTo(SHOWS_TO) * Math.min(1, field / OVERLOOKED_SR);
        return new Reason(
                "Bright meteors in this frame, perhaps",
                hoped,
                "an hour",
                Numbers.text(
                        "%.0f an hour for an eye in a dark sky, radiant %.0f\u00b0 high; those of magnitude %.0f and brighter, in this field",
                        dark,
                        moment.local(shower.radiant(), c.night().observer()).latitudeDeg(),
                        SHOWS_TO),
                "rates of the calendars; a year can differ by half");
    }
}
