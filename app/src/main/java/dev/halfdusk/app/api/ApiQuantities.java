package dev.halfdusk.app.api;

import static dev.halfdusk.core.measure.Range.ALTITUDE;
import static dev.halfdusk.core.measure.Range.AZIMUTH;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.SkyElectrons;
import dev.halfdusk.core.fireworks.FiringPoint;
import dev.halfdusk.core.fireworks.Shell;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.Window;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.DarkField;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.moon.MoonLight;
import dev.halfdusk.core.night.Dark;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.search.Alignments;
import dev.halfdusk.core.search.NightWish;
import dev.halfdusk.core.search.Wanted;
import dev.halfdusk.core.sequence.IntervalTimer;
import dev.halfdusk.core.sky.Refraction;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/**
 * What the numbers that operations ask for are, by their names: the same is told in the description and checked before an
 * operation begins. A name means one thing in all of them; where one allows less or more it is given with its path.
 */
final class ApiQuantities {

    /**
     * A number.
     *
     * @param allowed in words; not always all of its range
     */
    record Quantity(Range range, double example, String allowed) {

        /** "latitude, -90 to 90°". */
        String words() {
            return range.quantity() + ", " + allowed;
        }
    }

    private static final Map<String, Quantity> ALL = new HashMap<>();

    private ApiQuantities() {}

    static {
        put("latitudeDeg", Range.LATITUDE, 37.6);
        put("longitudeDeg", Range.LONGITUDE, -8.8);
        put("elevationM", Range.ELEVATION, 20);
        put("azimuthDeg", AZIMUTH, 176);
        put("altitudeDeg", ALTITUDE, 23);
        put("airlessAltitudeDeg", ALTITUDE, 23);
        put("azimuthFrom", AZIMUTH, 150);
        put("azimuthTo", AZIMUTH, 210);
        put("declination", Range.DECLINATION, -29);
        put("roll", Pointing.ROLL, 0);
        put("focal", Range.FOCAL_LENGTH, 20);
        put("aperture", Range.APERTURE, 1.8);
        put("iso", Range.ISO, 1600);
        put("shutterSeconds", Range.SHUTTER, 10);
        put("pitch", Range.PIXEL_PITCH, 6);
        put("sensorWidth", Range.SENSOR_WIDTH, 36);
        put("sensorHeight", Range.SENSOR_HEIGHT, 24);
        put("pixelsAcross", Range.PIXELS, 6000);
        put("converter", Gear.Teleconverter.FACTOR, 1.4);
        put("filterStops", Gear.Filter.STOPS, 0);
        put("trackingError", Support.ERROR, 30);
        put("tolerancePx", Range.TOLERANCE, 3);
        put("signalToNoise", Demand.SIGNAL_TO_NOISE, 10);
        put("mu", SkyElectrons.MAGNITUDE, 21.5);
        put("efficiency", SkyElectrons.EFFICIENCY, 0.45);
        Range darkness = new Range("darkness class or zenith brightness", 1, SkyGlow.ZENITH.max(), "");
        ALL.put("darkness", new Quantity(darkness, 3, "1 to 9, or " + SkyGlow.ZENITH.allowed()));
        put("zenithMagnitude", SkyGlow.ZENITH, 21.5);
        put("withinKm", DarkField.WITHIN, 50);
        put("stepKm", DarkField.STEP, 2);
        put("extinction", MoonLight.EXTINCTION, 0.2);
        put("kelvin", Shot.KELVIN, 4000);
        put("tint", Shot.Details.TINT, 0);
        put("width", Window.WIDTH, 960);
        put("id", new Range("number", 1, 999_999_999_999_999L, ""), 1);
        put("seed", new Range("seed", Long.MIN_VALUE, Long.MAX_VALUE, ""), 1);
        put("maxMagnitude", new Range("faintest magnitude", -2, 6.5, ""), 5);
        put("depression", Dark.DEPRESSION, 18);
        put("moonAllowanceMag", NightRules.MOON_ALLOWANCE, 0);
        put("coreAltitude", NightRules.LEAST_ALTITUDE, 10);
        put("coreAltitudeTo", Wanted.Standing.HIGHEST, 90);
        put("hours", NightWish.HOURS, 1);
        put("/api/horizon-events hours", new Range("hours", 0, 8784, " h"), 24);
        put("limit", new Range("nights at most", 1, 4000, ""), 20);
        put("tolerance", Alignments.TOLERANCE, 0.5);
        put("years", Alignments.YEARS, 1);
        put("stepMinutes", new Range("step", 1, 60, " min"), 5);
        put("distance", FiringPoint.DISTANCE, 640);
        put("heightDifference", FiringPoint.HEIGHT, 0);
        put("shell", Shell.SIZE, 100);
        put("celsius", Refraction.TEMPERATURE, 15);
        put("pause", Sequence.PAUSE, 1);
        put("interval", IntervalTimer.INTERVAL, 11);
        put("count", Sequence.FRAMES, 120);
        put("/api/sequence/camera count", new Range("times the timer presses", 1, 10_000, ""), 120);
        put("rawMb", CameraBody.Files.MEGABYTES, 40);
        put("bufferFrames", CameraBody.Files.FRAMES, 30);
        put("writeMbPerS", CameraBody.Files.SPEED, 120);
    }

    private static void put(String name, Range range, double example) {
        ALL.put(name, new Quantity(range, range.check(example), range.allowed()));
    }

    /** Empty for what is no number. */
    static Optional<Quantity> of(String path, String name) {
        return Optional.ofNullable(ALL.getOrDefault(path + " " + name, ALL.get(name)));
    }
}
