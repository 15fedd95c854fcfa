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
 * Many nights of a site at ten-minute steps in plain arrays: places of sun, moon and one sight, and from them brightness of the zenith and
 * contrast of the sight. Places keep 0.01° against the exact ones (tested); all altitudes are airless. By day, with the sun 2° high or higher,
 * only its altitude is kept, and all else is NaN; so are azimuths and the moon's phase where they change nothing, since arc tangents are most of the work.
 */
public final class YearOfNights {

    public static final Duration STEP = Duration.ofMinutes(10);

    private static final int LONGEST = 3700;
    /** From 2° of the sun on a sample is of the day. */
    private static final double DAY_SINE = Math.sin(Math.toRadians(2));

    /** A little deeper than the end of twilight, from where on it is the same wherever the sun stands. */
    private static final double TWILIGHT_SINE = Math.sin(Math.toRadians(-Dark.ASTRONOMICAL.sunDepressionDeg() - 0.5));

    /** Two samples deeper than the horizon: what a line between neighbours may need. */
    private static final double NEAR_SINE = Math.sin(Math.toRadians(-5.5));

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
    private final Track moon;
    private final Track sun;
    private final Where.Way way;
    private final Track.Window window;

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
        Instant end = start.plus(STEP.multipliedBy(samples));
        Observer observer = Observer.at(site);
        sun = Track.of(Body.SUN, start, end);
        moon = Track.of(Body.MOON, start, end);
        way = sight.where().way(observer, start, end);
        window = new Track.Window(observer, start, samples, STEP.toMinutes() / 1440.0);
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
        IntStream.range(0, samples()).parallel().forEach(i -> {
            Track.Sky sky = window.sky(i);
            Vector sunAt = sky.local(sun);
            sunAltitude[i] = (float) sunAt.latitudeDeg();
            if (higher(sunAt, DAY_SINE)) {
                byDay(i);
                return;
            }
            sunAzimuth[i] = azimuth(sunAt, TWILIGHT_SINE);
            Vector moonAt = sky.local(moon);
            moonAltitude[i] = (float) moonAt.latitudeDeg();
            moonAzimuth[i] = azimuth(moonAt, NEAR_SINE);
            moonPhaseAngle[i] = higher(moonAt, NEAR_SINE) ? (float) SunAndMoon.phaseAngleDeg(sunAt, moonAt) : Float.NaN;
            Vector sightAt = way.at(sky);
            sightAltitude[i] = (float) sightAt.latitudeDeg();
            sightAzimuth[i] = azimuth(sightAt, NEAR_SINE);
        });
    }

    private static boolean higher(Vector local, double sine) {
        return local.z() > sine * local.length();
    }

    private static float azimuth(Vector local, double fromSine) {
        return higher(local, fromSine) ? (float) Direction.azimuthDeg(local) : Float.NaN;
    }

    /** Half of all samples: nobody asks of them where moon and sight stand. */
    private void byDay(int i) {
        sunAzimuth[i] = Float.NaN;
        moonAltitude[i] = Float.NaN;
        moonAzimuth[i] = Float.NaN;
        moonPhaseAngle[i] = Float.NaN;
        sightAltitude[i] = Float.NaN;
        sightAzimuth[i] = Float.NaN;
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

    /** What lights the sky; by day a moon that does not. Azimuth and phase of what is too deep to light anything are NaN. */
    public SunAndMoon lamps(int sample) {
        return isDay(sample)
                ? new SunAndMoon(sunAltitude[sample], 0, -90, 0, 180)
                : new SunAndMoon(
                        sunAltitude[sample],
                        sunAzimuth[sample],
                        moonAltitude[sample],
                        moonAzimuth[sample],
                        moonPhaseAngle[sample]);
    }

    private boolean isDay(int sample) {
        return Float.isNaN(moonAltitude[sample]);
    }

    /** Lit fraction of the moon, 0 to 1, wherever it stands; NaN by day. */
    public double moonFraction(int sample) {
        return isDay(sample)
                ? Double.NaN
                : SunAndMoon.of(window.local(sun, sample), window.local(moon, sample))
                        .moonFraction();
    }

    public double altitudeDeg(int sample) {
        return sightAltitude[sample];
    }

    public double azimuthDeg(int sample) {
        return sightAzimuth[sample];
    }

    /** V magnitudes per square arcsecond at the zenith. */
    public double zenithMagnitude(int sample) {
        return glow.zenith(lamps(sample)).magnitude();
    }

    /** Percent by which the sight outshines its sky, or how dark the sky of a point of light is; 0 while it is down or hidden, and by day and in civil twilight, where it is under 0.2. */
    public double contrastPercent(int sample) {
        if (!seen(sample)) {
            return 0;
        }
        Direction at = sightAt(sample);
        SunAndMoon lamps = lamps(sample);
        if (!sight.glows()) {
            return glow.darkPercent(at, lamps);
        }
        double light = sight.luminance() > 0 ? sight.luminance() : way.luminance(window.sky(sample));
        return glow.contrastPercent(at, light, lamps);
    }

    private Direction sightAt(int sample) {
        return new Direction(sightAzimuth[sample], sightAltitude[sample]);
    }

    /** Up, not hidden, and the sun deep enough. */
    private boolean seen(int sample) {
        return sunAltitude[sample] < TWILIGHT_DEG && sightAltitude[sample] > 0 && skyline.shows(sightAt(sample));
    }

    /** Hours, month by month, in which the sight stands above 10° and its skyline in a dark sky without moon. */
    public double[] hoursByMonth() {
        double[] hours = new double[12];
        for (int night = 0; night < nights(); night++) {
            int month = date(night).getMonthValue() - 1;
            for (int i = start(night); i < start(night + 1); i++) {
                boolean dark = sunAltitude[i] < -NightRules.USUAL.dark().sunDepressionDeg() && moonAltitude[i] < 0;
                if (dark && sightAltitude[i] > NightRules.USUAL.leastAltitudeDeg() && seen(i)) {
                    hours[month] += STEP.toMinutes() / 60.0;
                }
            }
        }
        return hours;
    }
}
