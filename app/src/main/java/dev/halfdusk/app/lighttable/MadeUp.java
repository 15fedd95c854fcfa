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
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.take.Fireworks;
import dev.halfdusk.core.take.Trails;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

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

    /** As someone might take them who gets it right in the third. */
    private static final List<MadeUp> STARS = List.of(
            new MadeUp("first test", 5, 0, 1.5, -2.5, 0, 1, false, 0),
            new MadeUp("second test", 1, 0, 1.5, -2.5, 60, 1, false, 0),
            new MadeUp("third test", 1, 0, -0.2, 0.1, 0, 1, false, 0));

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

    /** Those there are for a take; none for some motifs. */
    static List<MadeUp> of(PlannedTake take, boolean series) {
        return switch (take.motif()) {
            case STARS -> !series ? STARS : take.subject() instanceof Trails ? TRAIL : SERIES;
            case MOON -> MOON;
            case FIREWORKS -> FIREWORKS;
            default -> List.of();
        };
    }

    double megapixels() {
        return width() * width() * 1e-6;
    }

    private int width() {
        return SERIES.contains(this) || TRAIL.contains(this) ? SERIES_WIDTH : WIDTH;
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
                .firing(fired(take, settings));
        Window window = Window.whole(shot.framing().optics().sensor(), width());
        return FrameFile.of(CameraFile.image(Photograph.take(scene, spoilt, window, which)), FileFacts.own(shot, at));
    }

    /** When its shutter opens. */
    Instant opens(PlannedTake take, int which) {
        return take.opens().plusMillis(Math.round(which * 1000 * (settings(take).seconds() + 1)));
    }

    private Settings settings(PlannedTake take) {
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
    private List<Fired> fired(PlannedTake take, Settings settings) {
        if (!(take.subject() instanceof Fireworks display)) {
            return List.of();
        }
        FiringPoint from = display.seen().display().points().get(0);
        Shell large = Shell.of(display.seen().shellMm());
        double breaks = late > 0 ? -late : Math.min(0.6, settings.seconds() / 4);
        return List.of(
                new Fired(from, large, breaks - large.flightSeconds(), -0.6 * large.widthM(), Fired.Colour.RED, 7),
                new Fired(
                        from, large, breaks - large.flightSeconds() - 0.1, 0.7 * large.widthM(), Fired.Colour.GOLD, 9));
    }
}
