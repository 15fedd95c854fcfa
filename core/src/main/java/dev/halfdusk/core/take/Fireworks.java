package dev.halfdusk.core.take;

import dev.halfdusk.core.fireworks.FireworkSettings;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.Program;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * A display of fireworks: opening, body and finale with the settings prepared for each.
 *
 * @param minutes it lasts
 * @param shutterSeconds of the opening
 * @param finaleSeconds that its end is expected to be the finale, guessed
 */
public record Fireworks(double minutes, double shutterSeconds, double iso, double finaleSeconds) implements Subject {

    public static final Range MINUTES = new Range("length of the display", 1, 120, " min");
    public static final Range FINALE = new Range("finale", 0, 600, " s");

    /** Between frames, to see what came. */
    private static final double PAUSE = 0.5;

    private static final double OPENING_SHARE = 0.15;
    private static final LocalTime USUAL = LocalTime.of(22, 30);

    public static final Kind KIND = new Kind(
            "fireworks",
            "fireworks",
            List.of(
                    Parameter.number("minutes", "minutes", MINUTES, 18),
                    Parameter.number("shutterSeconds", "shutter, s", FireworkSettings.SECONDS, 4),
                    Parameter.number("iso", "ISO", Range.ISO, 100),
                    Parameter.number("finaleSeconds", "finale, s", FINALE, 90)),
            v -> new Fireworks(v.get(0), v.get(1), v.get(2), v.get(3)));

    @Override
    public Kind kind() {
        return KIND;
    }

    @Override
    public List<Double> values() {
        return List.of(minutes, shutterSeconds, iso, finaleSeconds);
    }

    @Override
    public Wish usual() {
        return Wish.at(USUAL);
    }

    @Override
    public Set<Need> needs() {
        return Set.of();
    }

    @Override
    public boolean layered() {
        return true;
    }

    @Override
    public List<String> bag() {
        return List.of(
                "cable release",
                "ear plugs",
                "chair, water and a lamp",
                "another lens, if you mean to swap before the body");
    }

    @Override
    public List<String> cautions() {
        return List.of(
                "The organiser's cordon and local rules decide where you stand; never go to a shell that did not burst.",
                "Falling debris and noise: stand upwind, protect eyes and ears. No drone near a display.");
    }

    @Override
    public Plan plan(Take take, Circumstances c) {
        Duration lasts = Duration.ofSeconds(Math.round(60 * minutes));
        return Planning.of(take, c)
                .plan(
                        lasts,
                        true,
                        t -> program(take, t),
                        List.of(
                                "The finale comes when it comes: watch for many launches at once.",
                                "Smoke: reframe towards the clear side, or wait between salvos.",
                                "The front rows fill an hour before: come by daylight and hold your spot."));
    }

    private Program program(Take take, Instant t) {
        double whole = 60 * minutes;
        double last = Math.min(finaleSeconds, whole / 2);
        double first = OPENING_SHARE * (whole - last);
        List<FireworkSettings.Stage> stages =
                new FireworkSettings(new Settings(shutterSeconds, take.aperture(), iso)).stages();
        double[] from = {0, first, whole - last};
        double[] to = {first, whole - last, whole};
        List<Program.Step> steps = new ArrayList<>();
        for (int i = 0; i < from.length; i++) {
            Settings s = stages.get(i).settings();
            int frames = (int) Math.floor((to[i] - from[i]) / (s.seconds() + PAUSE));
            if (frames > 0) {
                steps.add(new Program.Step(
                        Instants.after(t, from[i]),
                        s,
                        frames,
                        PAUSE,
                        FileFormat.RAW,
                        stages.get(i).name()));
            }
        }
        if (steps.isEmpty()) {
            steps.add(new Program.Step(t, stages.get(0).settings(), 1, PAUSE, FileFormat.RAW, "display"));
        }
        return new Program("Fireworks", steps);
    }
}
