package dev.halfdusk.core.night;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.sky.Track;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.stream.IntStream;

/**
 * Many nights of a site at ten-minute steps in plain arrays: places of sun, moon and core, brightness of the zenith and
 * contrast of the core. Places keep 0.01° against the exact ones (tested); all altitudes are airless. By day, with the sun 2° high or higher,
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
    private final int[] nightStarts;
    private final float[] sunAltitude;
    private final float[] sunAzimuth;
    private final float[] moonAltitude;
    private final float[] moonAzimuth;
    private final float[] moonPhaseAngle;
    private final float[] coreAltitude;
    private final float[] coreAzimuth;
    private final float[] zenithMagnitude;
    private final float[] coreContrast;

    private YearOfNights(Site site, ZoneId zone, LocalDate first, int nights, Skyline skyline, SkyGlow glow) {
        this.site = site;
        this.skyline = skyline;
        this.glow = glow;
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
        coreAltitude = new float[samples];
        coreAzimuth = new float[samples];
        zenithMagnitude = new float[samples];
        coreContrast = new float[samples];
    }

    /**
     * @param first evening of the first night
     * @param nights how many, up to ten years
     * @param skyline behind which the core has no contrast
     * @throws dev.halfdusk.core.sky.DateOutOfRange if any of them lies outside 2000–2059
     */
    public static YearOfNights of(Site site, LocalDate first, int nights, ZoneId zone, Skyline skyline, SkyGlow glow) {
        if (nights < 1 || nights > LONGEST) {
            throw new IllegalArgumentException("from 1 to " + LONGEST + " nights; these are " + nights);
        }
        YearOfNights year = new YearOfNights(site, zone, first, nights, skyline, glow);
        year.fill();
        return year;
    }

    private void fill() {
        Instant end = start.plus(STEP.multipliedBy(samples()));
        Observer observer = Observer.at(site);
        Track sun = Track.of(Body.SUN, start, end);
        Track moon = Track.of(Body.MOON, start, end);
        Track core = Track.of(FixedPoint.CORE, start, end);
        Track.Window window = new Track.Window(observer, start, samples(), STEP.toMinutes() / 1440.0);
        IntStream.range(0, samples()).parallel().forEach(i -> {
            Vector sunAt = window.local(sun, i);
            if (sunAt.z() > DAY_SINE * sunAt.length()) {
                day(i, sunAt.latitudeDeg());
                return;
            }
            SunAndMoon lamps = SunAndMoon.of(sunAt, window.local(moon, i));
            Direction at = Direction.of(window.local(core, i));
            sunAltitude[i] = (float) lamps.sunAltitudeDeg();
            sunAzimuth[i] = (float) lamps.sunAzimuthDeg();
            moonAltitude[i] = (float) lamps.moonAltitudeDeg();
            moonAzimuth[i] = (float) lamps.moonAzimuthDeg();
            moonPhaseAngle[i] = (float) lamps.moonPhaseAngleDeg();
            coreAltitude[i] = (float) at.altitudeDeg();
            coreAzimuth[i] = (float) at.azimuthDeg();
            zenithMagnitude[i] = (float) glow.zenith(lamps).magnitude();
            boolean seen = lamps.sunAltitudeDeg() < TWILIGHT_DEG && skyline.shows(at);
            coreContrast[i] = seen ? (float) glow.coreContrastPercent(at, lamps) : 0;
        });
    }

    /** Half of all samples: nobody asks of them where moon and core stand. */
    private void day(int i, double sunDeg) {
        sunAltitude[i] = (float) sunDeg;
        sunAzimuth[i] = Float.NaN;
        moonAltitude[i] = Float.NaN;
        moonAzimuth[i] = Float.NaN;
        moonPhaseAngle[i] = Float.NaN;
        coreAltitude[i] = Float.NaN;
        coreAzimuth[i] = Float.NaN;
        zenithMagnitude[i] = (float) glow.zenith(byDay(sunDeg)).magnitude();
    }

    public Site site() {
        return site;
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

    public double coreAltitudeDeg(int sample) {
        return coreAltitude[sample];
    }

    public double coreAzimuthDeg(int sample) {
        return coreAzimuth[sample];
    }

    /** V magnitudes per square arcsecond at the zenith. */
    public double zenithMagnitude(int sample) {
        return zenithMagnitude[sample];
    }

    /** Percent by which the core outshines its sky; 0 while it is down or hidden, and by day and in civil twilight, where it is under 0.2. */
    public double coreContrastPercent(int sample) {
        return coreContrast[sample];
    }

    /** Hours, month by month, in which the core stands above 10° and its skyline in a dark sky without moon. */
    public double[] coreHoursByMonth() {
        double[] hours = new double[12];
        for (int night = 0; night < nights(); night++) {
            int month = date(night).getMonthValue() - 1;
            for (int i = start(night); i < start(night + 1); i++) {
                boolean dark = sunAltitude[i] < -NightRules.USUAL.sunDepressionDeg() && moonAltitude[i] < 0;
                if (dark && coreAltitude[i] > NightRules.USUAL.coreAltitudeDeg() && coreContrast[i] > 0) {
                    hours[month] += STEP.toMinutes() / 60.0;
                }
            }
        }
        return hours;
    }
}
