package dev.halfdusk.app.framing;

import dev.halfdusk.app.pictures.FramePicture;
import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.setup.SetupRequest;
import dev.halfdusk.core.exposure.DriftField;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.fireworks.Display;
import dev.halfdusk.core.frame.Clouds;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.TrailFrames;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.optics.Depth;
import dev.halfdusk.core.optics.Settings;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/**
 * What is seen through which lens, when, and how it is taken.
 *
 * @param shutter typed instead of the proposed one
 * @param iso typed instead of the proposed one
 * @param clouds before the sky; empty where a forecast is wanted and none reaches that night
 * @param passing whether an aircraft and a satellite cross the frame
 * @param danjon darkness of the earth's shadow, in case the moon is in it
 * @param display of fireworks in the frame
 */
public record FrameRequest(
        SetupRequest setup,
        List<Mark> marks,
        Ribbon ribbon,
        OptionalDouble shutter,
        OptionalInt iso,
        TrailFrames trails,
        double lampLux,
        double kelvin,
        Shot.Details details,
        Optional<Clouds> clouds,
        boolean passing,
        double danjon,
        Optional<Display> display) {

    /** Name of each field of a display in an address. */
    static final List<String> DISPLAY = List.of("distance", "bearing", "height", "shell", "front");

    /** Where the ribbon's slider stands. */
    public int minute() {
        return ribbon.clamp(setup.minute());
    }

    Scene scene() {
        Optional<Long> seed =
                passing ? Optional.of(setup.setup().moment().instant().getEpochSecond()) : Optional.empty();
        return setup.place()
                .scene(setup.setup(), marks)
                .lit(lampLux)
                .crossed(seed)
                .with(clouds.orElse(Clouds.NONE))
                .shadowed(danjon);
    }

    /** With the stars in focus, by two pixels. */
    Depth depth() {
        return setup.setup().depth(Depth.pixelCircleMm(setup.optics().sensor()));
    }

    /** As proposed, or as typed. */
    Settings settings(Proposal p) {
        Settings proposed = p.settings();
        return new Settings(
                shutter.orElse(proposed.seconds()),
                proposed.aperture(),
                iso.isPresent() ? iso.getAsInt() : proposed.iso());
    }

    /** With the shells of a frame as long as that. */
    Scene scene(Settings settings) {
        return display.map(d -> scene().firing(d.during(settings.seconds()))).orElseGet(this::scene);
    }

    Shot shot(Proposal p) {
        return Shot.of(setup.setup(), settings(p), kelvin).withDetails(details);
    }

    FramePicture picture(Settings settings, boolean figures, boolean grid, boolean drift) {
        Optional<DriftField> field = drift
                ? Optional.of(DriftField.of(
                        setup.setup().framing(), setup.place().site().latitudeDeg(), settings.seconds()))
                : Optional.empty();
        Optional<TrailFrames> drawn = trails.frames() > 1 ? Optional.of(trails) : Optional.empty();
        return FramePicture.of(
                scene(),
                setup.setup().framing(),
                new FramePicture.Options(figures, grid, field, drawn, settings.seconds(), depth().nearAtStarsM()));
    }
}
