package dev.halfdusk.core.night;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.sky.Track;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.stream.IntStream;

/**
 * Many nights of a site at ten-minute steps in plain arrays: places of sun, moon and one sight, brightness of the zenith and
 * contrast of the sight. Places keep 0.01° against the exact ones (tested); all altitudes are airless. By day, with the sun 2° high or higher,
 * only its altitude and the zenith are kept, and all else is NaN.
 */
public final class YearOfNights {

    public static final Duration STEP = Duration.ofMinutes(10);

    private static final int LONGEST = 3700;
    /** From 2° of the sun on a sample is of the day. */
    private static final double DAY_SINE = Math.sin(Math.toRadians(2));

    private static final double TWILIGHT_DEG = -6;

    private final Site site;
    private final ZoneId zone;
    private final LocalDate first;
    private final Instant start;
    private final Skyline skyline;
    private final SkyGlow glow;
    private final Sight sight;
    private final int[] nightStarts;
    private final float[] sunAltitude;
    private final float[] sunAzimuth;
    private final float[] moonAltitude;
    private final float[] moonAzimuth;
    private final float[] moonPhaseAngle;
    private final float[] sightAltitude;
    private final float[] sightAzimuth;
    private final float[] zenithMagnitude;
    private final float[] contrast;

    private YearOfNights(
            Site site, ZoneId zone, LocalDate first, int nights, Skyline skyline, SkyGlow glow, Sight sight) {
        this.site = site;
        this.skyline = skyline;
        this.glow = glow;
        this.sight = sight;
        this.zone = zone;
        this.first = first;
        start = Night.noon(first, zone);
        nightStarts = new int[nights + 1];
        for (int i = 0; i <= nights; i++) {
            nightStarts[i] = (int) (Duration.between(start, Night.noon(first.plusDays(i), zone))
                            .toMinutes()
                    / STEP.toMinutes());
        }
        int samples = nightStarts[nights];
        sunAltitude = new float[samples];
        sunAzimuth = new float[samples];
        moonAltitude = new float[samples];
        moonAzimuth = new float[samples];
        moonPhaseAngle = new float[samples];
        sightAltitude = new float[samples];
        sightAzimuth = new float[samples];
        zenithMagnitude = new float[samples];
        contrast = new float[samples];
    }

    /**
     * @param first evening of the first night
     * @param nights how many, up to ten years
     * @param skyline behind which the sight has no contrast
     * @throws dev.halfdusk.core.sky.DateOutOfRange if any of them lies outside 2000–2059
     */
    public static YearOfNights of(Site site, LocalDate first, int nights, ZoneId zone, Skyline skyline, SkyGlow glow) {
        return of(site, first, nights, zone, skyline, glow, Sight.CORE);
    }

    /** The same for another sight than the core. */
    public static YearOfNights of(
            Site site, LocalDate first, int nights, ZoneId zone, Skyline skyline, SkyGlow glow, Sight sight) {
        if (nights < 1 || nights > LONGEST) {
            throw new IllegalArgumentException("from 1 to " + LONGEST + " nights; these are " + nights);
        }
        YearOfNights year = new YearOfNights(site, zone, first, nights, skyline, glow, sight);
        year.fill();
        return year;
    }

    private void fill() {
        Instant end = start.plus(STEP.multipliedBy(samples()));
        Observer observer = Observer.at(site);
        Track sun = Track.of(Body.SUN, start, end);
        Track moon = Track.of(Body.MOON, start, end);
        Where.Way way = sight.where().way(observer, start, end);
        Track.Window window = new Track.Window(observer, start, samples(), STEP.toMinutes() / 1440.0);
        IntStream.range(0, samples()).parallel().forEach(i -> {
            Vector sunAt = window.local(sun, i);
            if (sunAt.z() > DAY_SINE * sunAt.length()) {
                day(i, sunAt.latitudeDeg());
                return;
            }
            SunAndMoon lamps = SunAndMoon.of(sunAt, window.local(moon, i));
            Direction at = Direction.of(way.at(window, i));
            sunAltitude[i] = (float) lamps.sunAltitudeDeg();
            sunAzimuth[i] = (float) lamps.sunAzimuthDeg();
            moonAltitude[i] = (float) lamps.moonAltitudeDeg();
            moonAzimuth[i] = (float) lamps.moonAzimuthDeg();
            moonPhaseAngle[i] = (float) lamps.moonPhaseAngleDeg();
            sightAltitude[i] = (float) at.altitudeDeg();
            sightAzimuth[i] = (float) at.azimuthDeg();
            zenithMagnitude[i] = (float) glow.zenith(lamps).magnitude();
            boolean seen = lamps.sunAltitudeDeg() < TWILIGHT_DEG && skyline.shows(at);
            contrast[i] = seen ? (float) contrast(way, window, i, at, lamps) : 0;
        });
    }

    private double contrast(Where.Way way, Track.Window window, int i, Direction at, SunAndMoon lamps) {
        if (!sight.glows()) {
            return glow.darkPercent(at, lamps);
        }
        double light = sight.luminance() > 0 ? sight.luminance() : way.luminance(window, i);
        return glow.contrastPercent(at, light, lamps);
    }

    /** Half of all samples: nobody asks of them where moon and sight stand. */
    private void day(int i, double sunDeg) {
        sunAltitude[i] = (float) sunDeg;
        sunAzimuth[i] = Float.NaN;
        moonAltitude[i] = Float.NaN;
        moonAzimuth[i] = Float.NaN;
        moonPhaseAngle[i] = Float.NaN;
        sightAltitude[i] = Float.NaN;
        sightAzimuth[i] = Float.NaN;
        zenithMagnitude[i] = (float) glow.zenith(byDay(sunDeg)).magnitude();
    }

    public Site site() {
        return site;
    }

    /** What one comes for. */
    public Sight sight() {
        return sight;
    }

    /** Behind which things are hidden. */
    public Skyline skyline() {
        return skyline;
    }

    public SkyGlow glow() {
        return glow;
    }

    public ZoneId zone() {
        return zone;
    }

    public int nights() {
        return nightStarts.length - 1;
    }

    public int samples() {
        return nightStarts[nights()];
    }

    public LocalDate date(int night) {
        return first.plusDays(night);
    }

    /** First sample of a night; its end is the start of the next. 138, 144 or 150 apart as clocks change. */
    public int start(int night) {
        return nightStarts[night];
    }

    /** The night of a sample, or of a place between two; the first or last night of one beyond them. */
    public int nightOf(double sample) {
        int found = Arrays.binarySearch(nightStarts, (int) Math.floor(sample));
        return Math.max(0, Math.min(nights() - 1, found < 0 ? -found - 2 : found));
    }

    public Instant instant(int sample) {
        return start.plus(STEP.multipliedBy(sample));
    }

    public Interval span(int night) {
        return new Interval(instant(start(night)), instant(start(night + 1)));
    }

    public double sunAltitudeDeg(int sample) {
        return sunAltitude[sample];
    }

    public double moonAltitudeDeg(int sample) {
        return moonAltitude[sample];
    }

    /** What lights the sky; by day a moon that does not. */
    public SunAndMoon lamps(int sample) {
        return Float.isNaN(moonAltitude[sample]) ? byDay(sunAltitude[sample]) : all(sample);
    }

    private static SunAndMoon byDay(double sunDeg) {
        return new SunAndMoon(sunDeg, 0, -90, 0, 180);
    }

    private SunAndMoon all(int sample) {
        return new SunAndMoon(
                sunAltitude[sample],
                sunAzimuth[sample],
                moonAltitude[sample],
                moonAzimuth[sample],
                moonPhaseAngle[sample]);
    }

    /** Lit fraction of the moon, 0 to 1. */
    public double moonFraction(int sample) {
        return all(sample).moonFraction();
    }

    public double altitudeDeg(int sample) {
        return sightAltitude[sample];
    }

    public double azimuthDeg(int sample) {
        return sightAzimuth[sample];
    }

    /** V magnitudes per square arcsecond at the zenith. */
    public double zenithMagnitude(int sample) {
        return zenithMagnitude[sample];
    }

    /** Percent by which the sight outshines its sky, or how dark the sky of a point of light is; 0 while it is down or hidden, and by day and in civil twilight, where it is under 0.2. */
    public double contrastPercent(int sample) {
        return contrast[sample];
    }

    /** Hours, month by month, in which the sight stands above 10° and its skyline in a dark sky without moon. */
    public double[] hoursByMonth() {
        double[] hours = new double[12];
        for (int night = 0; night < nights(); night++) {
            int month = date(night).getMonthValue() - 1;
            for (int i = start(night); i < start(night + 1); i++) {
                boolean dark = sunAltitude[i] < -NightRules.USUAL.dark().sunDepressionDeg() && moonAltitude[i] < 0;
                if (dark && sightAltitude[i] > NightRules.USUAL.leastAltitudeDeg() && contrast[i] > 0) {
                    hours[month] += STEP.toMinutes() / 60.0;
                }
            }
        }
        return hours;
    }
}
