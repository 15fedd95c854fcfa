package dev.halfdusk.app.lighttable;

import dev.halfdusk.app.pictures.CameraFile;
import dev.halfdusk.core.fireworks.Fired;
import dev.halfdusk.core.fireworks.FiringPoint;
import dev.halfdusk.core.fireworks.Shell;
import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.Window;
import dev.halfdusk.core.lighttable.Motif;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.ApertureDial;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.IsoDial;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.take.Fireworks;
import dev.halfdusk.core.take.Trails;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * A frame that the simulated camera takes for a take, spoilt in some way.
 *
 * @param shutterTimes longer, at the same brightness
 * @param stops brighter, by the shutter for the moon and by the aperture for fireworks
 * @param right aimed aside, degrees, with up
 * @param spotUm out of focus
 * @param light share of it that comes through
 * @param crossed whether something flies across
 * @param late seconds after a burst's break at which the shutter opens; 0 for in time
 */
record MadeUp(
        String name,
        double shutterTimes,
        double stops,
        double right,
        double up,
        double spotUm,
        double light,
        boolean crossed,
        double late) {

    private static final int WIDTH = 1800;
    private static final int SERIES_WIDTH = 1100;
    private static final int FRAMES = 7;
    private static final double SKY_LOWER = 12;
    private static final double LAND_STOPS = 3;
    private static final double[] ASIDE = {0, -1.1, 1.2, -2.2, 2.3};

    /** As someone might take them who gets it right in the third. */
    private static final List<MadeUp> STARS = List.of(
            new MadeUp("first test", 5, 0, 1.5, -2.5, 0, 1, false, 0),
            new MadeUp("second test", 1, 0, 1.5, -2.5, 60, 1, false, 0),
            new MadeUp("third test", 1, 0, -0.2, 0.1, 0, 1, false, 0));

    /** As many as of anything else. */
    static final int TESTS = STARS.size();

    private static final List<MadeUp> MOON = List.of(
            new MadeUp("first moon", 1, 5, 0, 0, 0, 1, false, 0),
            new MadeUp("second moon", 1, 0, 0, 0, 90, 1, false, 0),
            new MadeUp("third moon", 1, 0, 0, 0, 0, 1, false, 0));

    private static final List<MadeUp> FIREWORKS = List.of(
            new MadeUp("first burst", 1, 4, 0, 0, 0, 1, false, 0),
            new MadeUp("second burst", 1, 0, 0, 0, 0, 1, false, 0.5),
            new MadeUp("third burst", 1, 0, 0, 0, 0, 1, false, 0));

    /** A lens on which dew creeps, and something that flies across. */
    private static final List<MadeUp> SERIES = IntStream.range(0, FRAMES)
            .mapToObj(i -> new MadeUp(
                    "frame " + (i + 1), 1, 0, 0, 0, Math.max(0, 9 * (i - 1)), 1 - 0.06 * i, i == 2 || i == 4, 0))
            .toList();

    /** For trails more of them, and nothing that is wrong but what flies across. */
    private static final List<MadeUp> TRAIL = IntStream.range(0, 16)
            .mapToObj(i -> new MadeUp("frame " + (i + 1), 1, 0, 0, 0, 0, 1, i == 5 || i == 10, 0))
            .toList();

    /** A moon that the air moves, two of its frames softer. */
    private static final List<MadeUp> MOONS = IntStream.range(0, 8)
            .mapToObj(i -> new MadeUp(
                    "moon " + (i + 1), 1, 0, 0.004 * (i % 3), 0.003 * (i % 2), i == 2 || i == 5 ? 45 : 0, 1, false, 0))
            .toList();

    private static final List<MadeUp> BURSTS = IntStream.range(0, 5)
            .mapToObj(i -> new MadeUp("burst " + (i + 1), 1, 0, 0, 0, 0, 1, false, 0))
            .toList();

    /** Open for minutes, so that a few draw long arcs. */
    private static final List<MadeUp> LONG = IntStream.range(0, 12)
            .mapToObj(i -> new MadeUp("frame " + (i + 1), 6, 0, 0, 0, 0, 1, i == 4 || i == 9, 0))
            .toList();

    private static final List<MadeUp> SKY = IntStream.range(0, 9)
            .mapToObj(i -> new MadeUp("sky " + (i + 1), 1, 0, 0, -SKY_LOWER, 0, 1, i == 3, 0))
            .toList();

    private static final List<MadeUp> LAND = IntStream.range(0, 2)
            .mapToObj(i -> new MadeUp("land " + (i + 1), 4, LAND_STOPS, 0, -SKY_LOWER, 0, 1, false, 0))
            .toList();

    /** Those there are for a take; none for some motifs. */
    static List<MadeUp> of(PlannedTake take, boolean series) {
        return switch (take.motif()) {
            case STARS -> !series ? STARS : take.subject() instanceof Trails ? TRAIL : SERIES;
            case MOON -> series ? MOONS : MOON;
            case FIREWORKS -> series ? BURSTS : FIREWORKS;
            default -> List.of();
        };
    }

    /** Frames that a kind of picture is shown with. */
    record Night(List<MadeUp> frames, List<MadeUp> land) {}

    static Night night(Wanted.What what) {
        return switch (what) {
            case BLEND -> new Night(SKY, LAND);
            case STACK, CONTEST -> new Night(SKY, List.of());
            case MOON, WAY, PHASES, GLOW -> new Night(MOONS, List.of());
            case LIGHTEST -> new Night(BURSTS, List.of());
            case TRAILS -> new Night(LONG, List.of());
            case CLIP -> new Night(TRAIL, List.of());
        };
    }

    /** Whether such frames can be taken for a take. */
    static boolean fits(Wanted.What what, PlannedTake take) {
        return take.motif()
                == switch (what) {
                    case MOON, WAY, PHASES, GLOW -> Motif.MOON;
                    case LIGHTEST -> Motif.FIREWORKS;
                    default -> Motif.STARS;
                };
    }

    /** Whether it is what the take is for. */
    static boolean best(Wanted.What what, PlannedTake take) {
        return fits(what, take)
                && take.setup().optics().projection() == Projection.RECTILINEAR
                && (take.subject() instanceof Trails == (what == Wanted.What.TRAILS || what == Wanted.What.CLIP));
    }

    double megapixels() {
        return width() * width() * 1e-6;
    }

    private int width() {
        return Stream.of(SERIES, TRAIL, LONG, SKY, LAND, BURSTS).anyMatch(s -> s.contains(this)) ? SERIES_WIDTH : WIDTH;
    }

    /** @param which of its row: each is taken a little later */
    FrameFile take(PlannedTake take, int which) {
        Settings settings = settings(take);
        Instant at = opens(take, which);
        Direction aim = take.setup().pointing().axis();
        Direction off = new Direction(
                (aim.azimuthDeg() + right + 360) % 360, Math.max(0, Math.min(90, aim.altitudeDeg() + up)));
        Shot shot =
                Shot.of(take.setup().pointing(take.setup().pointing().at(off)).at(at), settings, Shot.USUAL_KELVIN);
        Shot spoilt = new Shot(
                shot.framing(),
                shot.response(),
                shot.efficiency() * light,
                settings,
                shot.widest(),
                spotUm,
                shot.kelvin(),
                shot.support(),
                shot.details());
        Scene scene = Scene.open(take.setup().from(), take.setup().at(at).moment())
                .crossed(crossed ? Optional.of(3L + which) : Optional.empty())
                .firing(fired(take, settings, which));
        Window window = Window.whole(shot.framing().optics().sensor(), width());
        return FrameFile.of(CameraFile.image(Photograph.take(scene, spoilt, window, which)), FileFacts.own(shot, at));
    }

    /** When its shutter opens. */
    Instant opens(PlannedTake take, int which) {
        return take.opens().plusMillis(Math.round(which * 1000 * (settings(take).seconds() + 1)));
    }

    Settings settings(PlannedTake take) {
        CameraBody body = take.setup().rig().body();
        Settings planned = take.settings();
        if (take.motif() == Motif.FIREWORKS) {
            Range apertures = take.setup().rig().apertures(take.setup().onLensMm());
            double wanted = apertures.nearest(planned.aperture() / Math.pow(2, stops / 2));
            return planned.withAperture(
                    ApertureDial.nearest(ApertureDial.between(apertures.min(), apertures.max()), wanted));
        }
        double times = shutterTimes * Math.pow(2, stops);
        return planned.withSeconds(body.clickOrBulb(planned.seconds() * times, Range.SHUTTER.max()))
                .withIso(IsoDial.nearest(body.isoSteps(), planned.iso() / shutterTimes));
    }

    /** Two shells of the display, one of them of the largest. */
    private List<Fired> fired(PlannedTake take, Settings settings, int which) {
        if (!(take.subject() instanceof Fireworks display)) {
            return List.of();
        }
        FiringPoint from = display.seen().display().points().get(0);
        Shell large = Shell.of(display.seen().shellMm());
        double breaks = late > 0 ? -late : Math.min(0.6, settings.seconds() / 4);
        double aside = BURSTS.contains(this) ? ASIDE[which % ASIDE.length] : 0;
        return List.of(
                new Fired(
                        from,
                        large,
                        breaks - large.flightSeconds(),
                        (aside - 0.6) * large.widthM(),
                        Fired.Colour.values()[which % Fired.Colour.values().length],
                        7L + which),
                new Fired(
                        from,
                        large,
                        breaks - large.flightSeconds() - 0.1,
                        (aside + 0.7) * large.widthM(),
                        Fired.Colour.GOLD,
                        9L + which));
    }
}
