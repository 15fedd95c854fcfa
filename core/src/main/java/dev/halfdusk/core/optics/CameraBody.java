package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;

/**
 * A camera body, as far as it decides settings.
 *
 * @param fastestSeconds shortest shutter
 * @param topIso highest ISO it offers
 * @param comfortableIso highest ISO whose noise its owner tolerates
 * @param modified whether the sensor sees deep red, so that it needs its own white balance
 * @param files what its pictures weigh
 * @param noiseReduction whether it takes a dark frame after each long exposure
 * @param clockOffsetSeconds by which its clock is ahead
 */
public record CameraBody(
        Sensor sensor,
        Dial dial,
        double fastestSeconds,
        int topIso,
        int comfortableIso,
        Response response,
        boolean modified,
        Files files,
        boolean noiseReduction,
        double clockOffsetSeconds,
        double weightG) {

    /** The longest shutter a body times by itself, s: a dial's 30 is open for 32. */
    public static final double LONGEST_OWN_S = 30 * 1.07;

    private static final int HALF_A_DAY = 43_200;

    public static final Range CLOCK_OFFSET = new Range("clock offset", -86_400, 86_400, " s");
    public static final Range WEIGHT = new Range("weight", 0, 50_000, " g");

    /**
     * @param bufferFrames raw frames it takes before it must wait for the card
     * @param writeMbPerSecond to the card
     */
    public record Files(double rawMb, double jpegMb, int bufferFrames, double writeMbPerSecond) {

        public static final Range MEGABYTES = new Range("file size", 0.1, 1000, " MB");
        public static final Range FRAMES = new Range("buffer", 1, 10_000, " frames");
        public static final Range SPEED = new Range("write speed", 1, 5000, " MB/s");

        public Files {
            MEGABYTES.check(rawMb);
            MEGABYTES.check(jpegMb);
            FRAMES.check(bufferFrames);
            SPEED.check(writeMbPerSecond);
        }

        /** Typical for a sensor: 1.2 MB of raw and 0.35 MB of JPEG a megapixel, thirty frames of buffer. */
        public static Files typical(Sensor sensor) {
            double megapixels = sensor.megapixels();
            return new Files(
                    Math.max(1, Math.round(megapixels * 1.2)),
                    Math.max(1, Math.round(megapixels * 0.35 * 10) / 10.0),
                    30,
                    150);
        }

        /** Seconds a raw frame takes to the card. */
        public double rawSeconds() {
            return rawMb / writeMbPerSecond;
        }
    }

    public CameraBody {
        Range.SHUTTER.check(fastestSeconds);
        Range.ISO.check(topIso);
        Range.ISO.check(comfortableIso);
        if (comfortableIso > topIso) {
            throw new IllegalArgumentException("the ISO one tolerates cannot be above the highest there is");
        }
        if (topIso < response.baseIso()) {
            throw new IllegalArgumentException("the highest ISO cannot be below the base ISO");
        }
        CLOCK_OFFSET.check(clockOffsetSeconds);
        WEIGHT.check(weightG);
    }

    /** A body with typical electronics for its pixels. */
    public static CameraBody generic(Sensor sensor, Dial dial, int topIso) {
        return new CameraBody(
                sensor,
                dial,
                1 / 8000.0,
                topIso,
                Math.min(topIso, 3200),
                Response.generic(sensor.pitchUm()),
                false,
                Files.typical(sensor),
                false,
                0,
                600);
    }

    public CameraBody withFiles(Files other) {
        return new CameraBody(
                sensor,
                dial,
                fastestSeconds,
                topIso,
                comfortableIso,
                response,
                modified,
                other,
                noiseReduction,
                clockOffsetSeconds,
                weightG);
    }

    /** Of an owner who bears the noise of another ISO. */
    public CameraBody tolerating(int otherIso) {
        return new CameraBody(
                sensor,
                dial,
                fastestSeconds,
                topIso,
                Math.min(topIso, otherIso),
                response,
                modified,
                files,
                noiseReduction,
                clockOffsetSeconds,
                weightG);
    }

    /** With its clock set to another error. */
    public CameraBody withClockAhead(double seconds) {
        return new CameraBody(
                sensor,
                dial,
                fastestSeconds,
                topIso,
                comfortableIso,
                response,
                modified,
                files,
                noiseReduction,
                seconds,
                weightG);
    }

    /** The longest click that keeps a limit; empty where that would be faster than the body can. */
    public Optional<Dial.Stop> shutterAtMost(double limitSeconds) {
        return dial.atMost(limitSeconds).filter(this::has);
    }

    /** The clicks of its dial, from the longest to the shortest. */
    public List<Dial.Stop> shutters() {
        return dial.shutters().stream().filter(this::has).toList();
    }

    private boolean has(Dial.Stop click) {
        return click.nominalSeconds() >= fastestSeconds * 0.99;
    }

    /** The fastest click it has. */
    public Dial.Stop shortest() {
        List<Dial.Stop> clicks = shutters();
        return clicks.isEmpty() ? dial.shutters().get(0) : clicks.get(clicks.size() - 1);
    }

    /** Seconds of the longest click that keeps within a limit by label and by what it really does; the shortest where none does. */
    public double longestClick(double limitSeconds) {
        return shutterAtMost(limitSeconds).orElse(shortest()).realSeconds();
    }

    /** Seconds of the nearest click, but never of one that is over a limit. */
    public double click(double seconds, double limitSeconds) {
        double nearest = dial.nearest(seconds).realSeconds();
        return Math.max(shortest().realSeconds(), Math.min(longestClick(limitSeconds), nearest));
    }

    /** The same; longer than the dial goes, as long as bulb is held. */
    public double clickOrBulb(double seconds, double limitSeconds) {
        return seconds > dial.shutters().get(0).realSeconds()
                ? Math.min(seconds, limitSeconds)
                : click(seconds, limitSeconds);
    }

    /** The ISO values one may type, from the lowest there is anywhere to the highest of this body. */
    public Range isos() {
        return new Range(Range.ISO.quantity(), Range.ISO.min(), topIso, Range.ISO.unit());
    }

    public List<Integer> isoSteps() {
        return IsoDial.between(response.baseIso(), topIso);
    }

    /** Shorter ones are said as fractions. */
    private static final double SLOWEST_FRACTION = 0.25;

    /** "1/125 s, f/8, ISO 100", as its dial shows the shutter. */
    public String words(Settings s) {
        return label(s.seconds()) + " s, f/" + Numbers.trimmed(s.aperture(), 1) + ", ISO " + Numbers.plain(s.iso());
    }

    /** "13", "1/125": what the dial says of a time the shutter is really open; the seconds themselves where it has no such click. */
    public String label(double seconds) {
        Dial.Stop nearest = dial.nearest(seconds);
        return Math.abs(nearest.realSeconds() - seconds) < 1e-6 * seconds
                ? nearest.label()
                : seconds < SLOWEST_FRACTION
                        ? "1/" + Math.round(1 / seconds)
                        : Numbers.trimmed(seconds, seconds < 1 ? 3 : 1);
    }

    /** By how much a clock is ahead, seconds, that showed one time of day while it was another; the nearer way round the day. */
    public static int clockAhead(LocalTime shown, LocalTime right) {
        int ahead = shown.toSecondOfDay() - right.toSecondOfDay();
        return Math.floorMod(ahead + HALF_A_DAY, 2 * HALF_A_DAY) - HALF_A_DAY;
    }
}
