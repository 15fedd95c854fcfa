package dev.halfdusk.core.moon;

import dev.halfdusk.core.exposure.SceneLight;
import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.sky.Moment;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/**
 * Moon and land in one frame, minute by minute. The land is taken as lit evenly by a sky as bright as its zenith and by the moon, and
 * metered by the light that falls on it; in twilight to a stop, by day in the shade only.
 *
 * @param moonEv100 that is proposed for the moon
 * @param landEv100 that makes the land look as bright as it is
 * @param moonClearDeg by so much its middle stands above horizon and skyline
 * @param skyEv100 that a meter says of the sky beside the moon
 * @param sunAltitudeDeg airless
 */
public record LandBalance(
        Instant when, double moonEv100, double landEv100, double skyEv100, double moonClearDeg, double sunAltitudeDeg) {

    /** Land so much darker than the frame can still be lifted without its noise showing, stops. */
    public static final double LIFTED_STOPS = 3;

    /** Up to here two frames, laid over each other, look like one evening, stops. */
    public static final double BLENDED_STOPS = 7;

    /** Incident light in lux for an exposure value at ISO 100: 2.5 × 2^EV. */
    private static final double INCIDENT = 2.5;

    public static LandBalance at(Instant when, Standpoint from, double extinction) {
        Moment moment = Moment.at(when);
        SunAndMoon lamps = SunAndMoon.at(moment, from.observer());
        SkyGlow glow = from.glow();
        double lux = Math.PI * glow.zenith(lamps).total() + GroundLight.moonLux(lamps);
        return new LandBalance(
                when,
                MoonLight.at(moment, from.observer(), extinction).proposedEv100(),
                Stops.of(lux / INCIDENT),
                SceneLight.evOf(MoonLight.skyBeside(from, lamps)),
                lamps.moonAltitudeDeg() - Math.max(0, from.skyline().altitudeAt(lamps.moonAzimuthDeg())),
                lamps.sunAltitudeDeg());
    }

    /** From its beginning to its end. */
    public static List<LandBalance> over(Interval span, Duration step, Standpoint from, double extinction) {
        List<LandBalance> all = new ArrayList<>();
        for (Instant t = span.from(); !t.isAfter(span.to()); t = t.plus(step)) {
            all.add(at(t, from, extinction));
        }
        return List.copyOf(all);
    }

    /** Stops by which the moon is brighter than the land. */
    public double apartStops() {
        return moonEv100 - landEv100;
    }

    /** How to photograph them together. */
    public enum Way {
        PALE("the moon is pale in a bright sky"),
        ONE_FRAME("one frame holds both"),
        BLEND("two frames, blended"),
        APART("too far apart to look like one evening"),
        NO_MOON("the moon is down or behind the skyline");

        private final String words;

        Way(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public Way way() {
        double apart = apartStops();
        if (moonClearDeg <= 0) {
            return Way.NO_MOON;
        }
        if (moonEv100 + MoonLight.LIFT_STOPS < skyEv100) {
            return Way.PALE; // it adds less to the sky than the sky has
        }
        return apart <= LIFTED_STOPS ? Way.ONE_FRAME : apart <= BLENDED_STOPS ? Way.BLEND : Way.APART;
    }
}
