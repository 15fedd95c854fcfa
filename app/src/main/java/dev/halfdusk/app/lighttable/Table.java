package dev.halfdusk.app.lighttable;

import dev.halfdusk.app.pictures.CameraFile;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.Window;
import dev.halfdusk.core.lighttable.FrameReading;
import dev.halfdusk.core.lighttable.Judge;
import dev.halfdusk.core.lighttable.Known;
import dev.halfdusk.core.lighttable.LightTable;
import dev.halfdusk.core.lighttable.Pixels;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.IsoDial;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Settings;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Lays frames on the light table: reads, judges, keeps small pictures. */
@Component
class Table {

    private static final int WHOLE = 960;
    private static final int SMALL = 150;
    private static final int PART_WIDE = 240;
    private static final int PART_HIGH = 160;
    private static final Duration EARLY = Duration.ofHours(1);

    /** A made-up frame's width. */
    private static final int EXAMPLE_WIDTH = 1800;

    private final Frames frames;
    private final FrameFiles files;

    Table(Frames frames, FrameFiles files) {
        this.frames = frames;
        this.files = files;
    }

    /**
     * One frame.
     *
     * @param takes that it may be for: the one in whose time it was taken
     * @param said whether it is for the first of them whatever its time
     * @throws NotAFrame with the reason
     */
    TakenFrame lay(String name, byte[] bytes, List<PlannedTake> takes, boolean said) throws NotAFrame {
        return files.inTurn(() -> lay(name, FrameFile.read(bytes), takes, said));
    }

    private TakenFrame lay(String name, FrameFile file, List<PlannedTake> takes, boolean said) {
            Pixels pixels = file.pixels();
            PlannedTake plan = matching(file.facts(), takes, said);
            Known known = plan == null
                    ? FrameFiles.known(file, FrameFiles.Told.NOTHING)
                    : plan.known(file.facts(), file.width(), file.height());
            FrameReading reading = LightTable.read(pixels, known);
            String id = Frames.fresh();
            pictures(id, file);
            TakenFrame frame = new TakenFrame(
                    id,
                    name,
                    about(file.facts(), plan),
                    reading,
                    plan == null ? Judge.of(reading) : Judge.of(reading, Optional.of(plan.limits())),
                    plan,
                    file.preview()
                            ? "Read from the picture within a raw file: noise, colour and what is burnt are the camera's own."
                            : "");
            frames.lay(frame);
            return frame;
    }

    private static PlannedTake matching(FileFacts facts, List<PlannedTake> takes, boolean said) {
        if (said && !takes.isEmpty()) {
            return takes.get(0);
        }
        return takes.stream()
                .filter(t -> facts.opened(t.zone(), t.setup().rig().body().clockOffsetSeconds())
                        .filter(at -> at.isAfter(t.opens().minus(EARLY)) && at.isBefore(t.closes()))
                        .isPresent())
                .findFirst()
                .orElse(null);
    }

    private static String about(FileFacts facts, PlannedTake plan) {
        List<String> parts = new ArrayList<>();
        ZoneOffset utc = ZoneOffset.UTC;
        facts.local()
                .ifPresent(t -> parts.add("taken "
                        + (plan != null && facts.offset().isPresent()
                                        ? t.atOffset(facts.offset().orElse(utc))
                                                .atZoneSameInstant(plan.zone())
                                                .toLocalTime()
                                        : t.toLocalTime())
                                .toString()
                        + " by the camera's clock"));
        facts.seconds()
                .ifPresent(s -> parts.add(
                        plan == null
                                ? Words.exposure(s)
                                : plan.setup().rig().body().label(s) + " s"));
        facts.aperture().ifPresent(a -> parts.add("f/" + Numbers.trimmed(a, 1)));
        facts.iso().ifPresent(i -> parts.add("ISO " + Numbers.plain(i, 0)));
        facts.focalMm().ifPresent(f -> parts.add(Numbers.trimmed(f, 0) + " mm"));
        return parts.isEmpty() ? "its file does not say how it was taken" : String.join(" \u00b7 ", parts);
    }

    private void pictures(String id, FrameFile file) {
        int w = file.width();
        int h = file.height();
        frames.picture(id, "whole", file.jpeg(0, 0, w, h, WHOLE));
        frames.picture(id, "small", file.jpeg(0, 0, w, h, SMALL));
        int wide = Math.min(PART_WIDE, w);
        int high = Math.min(PART_HIGH, h);
        frames.picture(id, "middle", file.jpeg((w - wide) / 2, (h - high) / 2, wide, high, wide));
        frames.picture(id, "top-left", file.jpeg(0, 0, wide, high, wide));
        frames.picture(id, "top-right", file.jpeg(w - wide, 0, wide, high, wide));
        frames.picture(id, "bottom-left", file.jpeg(0, h - high, wide, high, wide));
        frames.picture(id, "bottom-right", file.jpeg(w - wide, h - high, wide, high, wide));
    }

    /** A frame that the simulated camera takes for a take, spoilt in some way: open longer at less ISO, aimed aside, out of focus. */
    private record Example(String name, double shutterTimes, double right, double up, double spotUm) {}

    private static final List<Example> EXAMPLES = List.of(
            new Example("first test", 5, 1.5, -2.5, 0),
            new Example("second test", 1, 1.5, -2.5, 60),
            new Example("third test", 1, -0.2, 0.1, 0));

    static int examples() {
        return EXAMPLES.size();
    }

    /** Made-up frames of a take, as someone might take them who gets it right in the third. */
    TakenFrame example(int which, PlannedTake take) throws NotAFrame {
        Example e = EXAMPLES.get(which);
        Direction aim = take.setup().pointing().axis();
        Direction off = new Direction(
                (aim.azimuthDeg() + e.right + 360) % 360, Math.max(0, Math.min(90, aim.altitudeDeg() + e.up)));
        Pointing pointing = take.setup().pointing().at(off);
        CameraBody body = take.setup().rig().body();
        Settings planned = take.settings();
        Settings settings = planned.withSeconds(
                        body.clickOrBulb(planned.seconds() * e.shutterTimes, Range.SHUTTER.max()))
                .withIso(IsoDial.nearest(body.isoSteps(), planned.iso() / e.shutterTimes));
        Instant at = take.opens().plusSeconds(60L * which);
        Shot shot = Shot.of(take.setup().pointing(pointing).at(at), settings, Shot.USUAL_KELVIN);
        Shot defocused = new Shot(
                shot.framing(),
                shot.response(),
                shot.efficiency(),
                settings,
                shot.widest(),
                e.spotUm,
                shot.kelvin(),
                shot.support(),
                shot.details());
        Scene scene = Scene.open(take.setup().from(), take.setup().at(at).moment());
        return files.inTurn(() -> {
            Photograph photograph = Photograph.take(
                    scene, defocused, Window.whole(shot.framing().optics().sensor(), EXAMPLE_WIDTH), which);
            FrameFile file = FrameFile.of(CameraFile.image(photograph), FileFacts.own(shot, at));
            return lay(e.name + ", made up", file, List.of(take), true);
        });
    }
}
