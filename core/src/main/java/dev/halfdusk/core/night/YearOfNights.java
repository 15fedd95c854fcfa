package dev.halfdusk.core.night;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Interval;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.sky.Skyline;
import dev.halfdusk.core.sky.Track;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;

/**
 * Many nights of a site at ten-minute steps in plain arrays: places of sun, moon and core, brightness of the zenith and
 * contrast of the core. Places keep 0.01° against the exact ones (tested); all altitudes are airless.
 */
public final class YearOfNights {

    public static final Duration STEP = Duration.ofMinutes(10);

    private static final int LONGEST = 3700;

    private final Site site;
    private final ZoneId zone;
    private final LocalDate first;
    private final Instant start;
    private final int[] nightStarts;
    private final float[] sunAltitude;
    private final float[] moonAltitude;
    private final float[] moonAzimuth;
    private final float[] moonPhaseAngle;
    private final float[] coreAltitude;
    private final float[] coreAzimuth;
    private final float[] zenithMagnitude;
    private final float[] coreContrast;

    private YearOfNights(Site site, ZoneId zone, LocalDate first, int nights) {
        this.site = site;
        this.zone = zone;
        this.first = first;
        start = noon(first);
        nightStarts = new int[nights + 1];
        for (int i = 0; i <= nights; i++) {
            nightStarts[i] =
                    (int) (Duration.between(start, noon(first.plusDays(i))).toMinutes() / STEP.toMinutes());
        }
        int samples = nightStarts[nights];
        sunAltitude = new float[samples];
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
        YearOfNights year = new YearOfNights(site, zone, first, nights);
        year.fill(skyline, glow);
        return year;
    }

    private Instant noon(LocalDate date) {
        return date.atTime(LocalTime.NOON).atZone(zone).toInstant();
    }

    private void fill(Skyline skyline, SkyGlow glow) {
        Instant end = start.plus(STEP.multipliedBy(samples()));
        Observer observer = Observer.at(site);
        Track sun = Track.of(Body.SUN, start, end);
        Track moon = Track.of(Body.MOON, start, end);
        Track core = Track.of(FixedPoint.CORE, start, end);
        Track.Window window = new Track.Window(observer, start, samples(), STEP.toMinutes() / 1440.0);
        for (int i = 0; i < samples(); i++) {
            Vector s = window.local(sun, true, i);
            Vector m = window.local(moon, true, i);
            Vector c = window.local(core, false, i);
            double sunAt = s.latitudeDeg();
            double moonAt = m.latitudeDeg();
            double coreAt = c.latitudeDeg();
            double phase = m.times(-1).angleTo(s.minus(m));
            sunAltitude[i] = (float) sunAt;
            moonAltitude[i] = (float) moonAt;
            moonAzimuth[i] = (float) Moment.azimuth(m);
            moonPhaseAngle[i] = (float) phase;
            coreAltitude[i] = (float) coreAt;
            coreAzimuth[i] = (float) Moment.azimuth(c);
            SkyGlow.Lamps lamps = new SkyGlow.Lamps(sunAt, Moment.azimuth(s), moonAt, moonAzimuth[i], phase);
            zenithMagnitude[i] = (float) glow.zenith(lamps).magnitude();
            boolean seen = coreAt > Math.max(0, skyline.altitudeAt(coreAzimuth[i]));
            coreContrast[i] = seen ? (float) glow.coreContrastPercent(coreAzimuth[i], coreAt, lamps) : 0;
        }
    }

    public Site site() {
        return site;
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

    public double moonAzimuthDeg(int sample) {
        return moonAzimuth[sample];
    }

    /** Sun–moon–observer, 0 full to 180 new. */
    public double moonPhaseAngleDeg(int sample) {
        return moonPhaseAngle[sample];
    }

    /** Lit fraction of the moon, 0 to 1. */
    public double moonFraction(int sample) {
        return (1 + Math.cos(Math.toRadians(moonPhaseAngle[sample]))) / 2;
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

    /** Percent by which the core outshines its sky; 0 while it is down or hidden. */
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
