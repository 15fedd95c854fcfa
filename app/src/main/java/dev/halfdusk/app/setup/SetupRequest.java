package dev.halfdusk.app.setup;

import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Pointing;
import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.web.util.UriComponentsBuilder;

/**
 * A setup with the names and the night that belong to it, as pages show it.
 *
 * @param at what the camera is pointed at without being told; empty where it was told
 * @param zenith darkness that was typed instead of the place's, magnitudes
 */
public record SetupRequest(
        NamedRig named, Place place, Night night, Setup setup, Optional<Sight> at, OptionalDouble zenith) {

    /** A level camera that looks where one looks when nobody says otherwise. */
    public static SetupRequest of(
            NamedRig named, Place place, Night night, double onLensMm, double aperture, Demand demand, Instant when) {
        Night.Aim aim = night.aim(when);
        Setup setup = new Setup(
                named.rig(), onLensMm, aperture, Pointing.level(aim.direction()), place.standpoint(), when, demand);
        return new SetupRequest(named, place, night, setup, aim.at(), OptionalDouble.empty());
    }

    public SetupRequest pointing(Pointing other) {
        return new SetupRequest(named, place, night, setup.pointing(other), Optional.empty(), zenith);
    }

    public Instant when() {
        return setup.when();
    }

    public Direction axis() {
        return setup.pointing().axis();
    }

    public Optics optics() {
        return setup.optics();
    }

    public boolean upright() {
        return setup.pointing().held() == Orientation.PORTRAIT;
    }

    /** Whether nobody aimed the camera. */
    public boolean unaimed() {
        return at.isPresent();
    }

    /** Minutes after the noon that begins the night. */
    public int minute() {
        return night.minute(when());
    }

    public Proposal proposal() {
        return setup.proposal();
    }

    /** "01:10". */
    public String clock() {
        return Words.clock(when(), place.zone());
    }

    /** "at the core, 176° S, 23° up". */
    public String looking() {
        return at.map(s -> "at " + s.name() + ", ").orElse("") + Words.number(axis().azimuthDeg(), 0) + "\u00b0 "
                + axis().compass() + ", " + Words.number(axis().altitudeDeg(), 0) + "\u00b0 up";
    }

    /** "20 mm f/1.8"; behind a converter both ways: "400 mm f/5.6, with 2\u00d7 800 mm f/11". */
    public String lens() {
        double factor = setup.rig().converter();
        String works = Numbers.trimmed(optics().focalMm(), 1) + " mm f/" + Numbers.trimmed(setup.aperture(), 1);
        return factor == 1
                ? works
                : Numbers.trimmed(setup.onLensMm(), 1) + " mm f/" + Numbers.trimmed(setup.aperture() / factor, 1)
                        + ", with " + Numbers.trimmed(factor, 1) + "\u00d7 " + works;
    }

    /** "night of Tue 8 June 2027, 01:20": the night's evening, and the clock. */
    public String evening() {
        return Words.evening(night.date()) + ", " + clock();
    }

    /** "20 mm, 84° × 62°", the focal length with the converter. */
    public String field() {
        return Numbers.trimmed(optics().focalMm(), 1) + " mm, " + Words.number(optics().widthDeg(), 0)
                + "\u00b0 \u00d7 " + Words.number(optics().heightDeg(), 0) + "\u00b0";
    }

    /** The query of an address that asks the same on any page that takes a setup. */
    public String address() {
        UriComponentsBuilder uri = UriComponentsBuilder.newInstance()
                .queryParam("rig", named.id())
                .queryParam("place", place.id())
                .queryParam("night", night.date())
                .queryParam("minute", minute())
                .queryParam("focal", Numbers.plain(setup.onLensMm()))
                .queryParam("aperture", Numbers.plain(setup.aperture()))
                .queryParam("tolerance", Numbers.plain(setup.demand().tolerancePx()))
                .queryParam("sharp", setup.demand().sharp().key())
                .queryParam("snr", Numbers.plain(setup.demand().signalToNoise()));
        if (upright()) {
            uri.queryParam("upright", "on");
        }
        if (!unaimed()) {
            uri.queryParam("aim", "point")
                    .queryParam("azimuth", Numbers.plain(axis().azimuthDeg(), 2))
                    .queryParam("altitude", Numbers.plain(axis().altitudeDeg(), 2));
        }
        if (setup.pointing().rollDeg() != 0) {
            uri.queryParam("roll", Numbers.plain(setup.pointing().rollDeg()));
        }
        if (zenith.isPresent()) {
            uri.queryParam("darkness", Numbers.plain(zenith.getAsDouble()));
        }
        return uri.build().getQuery();
    }
}
