package dev.halfdusk.app.api;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.halfdusk.core.eclipse.CentralLine;
import dev.halfdusk.core.eclipse.LocalEclipse;
import dev.halfdusk.core.eclipse.LocalSolarEclipse;
import dev.halfdusk.core.eclipse.LunarEclipse;
import dev.halfdusk.core.eclipse.LunarEclipses;
import dev.halfdusk.core.eclipse.SolarEclipse;
import dev.halfdusk.core.eclipse.SolarEclipses;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Eclipses. */
@RestController
@RequestMapping("/api/eclipses")
@Tag(name = "eclipses", description = "Eclipses of moon and sun")
class EclipseApi {

    /**
     * An eclipse of the moon. Contacts that do not happen are left out, and so is what needs a site where none is given.
     *
     * @param max greatest eclipse
     * @param seen from the site: "whole", "partly" or "not"
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record Lunar(
            String type,
            double umbralMagnitude,
            double penumbralMagnitude,
            Instant p1,
            @Nullable Instant u1,
            @Nullable Instant u2,
            Instant max,
            @Nullable Instant u3,
            @Nullable Instant u4,
            Instant p4,
            @Nullable String seen,
            @Nullable List<Contact> contacts) {}

    /** A contact from a site, over a level horizon. */
    public record Contact(
            String contact,
            Instant utc,
            double airlessAltitudeDeg,
            double altitudeDeg,
            double azimuthDeg,
            double sunAltitudeDeg,
            boolean up) {}

    @GetMapping("/lunar")
    @Operation(
            summary = "Eclipses of the moon between two instants",
            description =
                    "2000 to 2059. latitudeDeg and longitudeDeg go together; with them each contact says where the moon stands.")
    List<Lunar> lunar(
            @RequestParam Instant from,
            @RequestParam Instant to,
            @RequestParam(required = false) Double latitudeDeg,
            @RequestParam(required = false) Double longitudeDeg,
            @RequestParam(defaultValue = "0") double elevationM) {
        Observer observer =
                observer(from, to, latitudeDeg, longitudeDeg, elevationM).orElse(null);
        return LunarEclipses.between(from, to).stream()
                .map(e -> of(e, observer))
                .toList();
    }

    private static Optional<Observer> observer(
            Instant from, Instant to, Double latitudeDeg, Double longitudeDeg, double elevationM) {
        if (to.isBefore(from)) {
            throw new BadParameter("to", "is before from", "an instant after from");
        }
        if ((latitudeDeg == null) != (longitudeDeg == null)) {
            throw new BadParameter(
                    latitudeDeg == null ? "latitudeDeg" : "longitudeDeg",
                    "is missing",
                    "both latitudeDeg and longitudeDeg, or neither");
        }
        return latitudeDeg == null
                ? Optional.empty()
                : Optional.of(Observer.at(new Site(latitudeDeg, longitudeDeg, elevationM)));
    }

    private static Lunar of(LunarEclipse e, Observer observer) {
        LocalEclipse local = observer == null ? null : LocalEclipse.of(e, observer, Skyline.FLAT);
        return new Lunar(
                e.type().words(),
                e.umbralMagnitude(),
                e.penumbralMagnitude(),
                e.p1(),
                e.u1().orElse(null),
                e.u2().orElse(null),
                e.greatest(),
                e.u3().orElse(null),
                e.u4().orElse(null),
                e.p4(),
                local == null ? null : local.seen().words(),
                local == null
                        ? null
                        : local.contacts().stream().map(EclipseApi::contact).toList());
    }

    private static Contact contact(LocalEclipse.Contact c) {
        return new Contact(
                c.name(),
                c.when(),
                c.moon().altitudeDeg(),
                c.moon().refractedAltitudeDeg(),
                c.moon().azimuthDeg(),
                c.sunAltitudeDeg(),
                c.up());
    }

    /**
     * An eclipse of the sun. Globally only type, max and gamma; from a site what is seen there, where the moon touches the sun at all.
     * Contacts that do not happen are left out; those below the horizon are given, and named.
     *
     * @param max greatest eclipse of the earth, or the maximum at the site
     * @param belowHorizon contacts at which the sun is down
     * @param seenMax when most of it is seen while the sun is up, with magnitude and obscuration then; left out where nothing is
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record Solar(
            String type,
            @Nullable Instant c1,
            @Nullable Instant c2,
            Instant max,
            @Nullable Instant c3,
            @Nullable Instant c4,
            Double magnitude,
            Double obscuration,
            Double sunAltitudeDeg,
            Double sunAzimuthDeg,
            Double gamma,
            @Nullable List<String> belowHorizon,
            @Nullable Instant seenMax,
            Double seenMagnitude,
            Double seenObscuration) {}

    @GetMapping("/solar")
    @Operation(
            summary = "Eclipses of the sun between two instants",
            description =
                    "2000 to 2059. latitudeDeg and longitudeDeg go together; with them those that touch the sun there, with the times of that place"
                            + " alone, smooth limb, to a second.")
    List<Solar> solar(
            @RequestParam Instant from,
            @RequestParam Instant to,
            @RequestParam(required = false) Double latitudeDeg,
            @RequestParam(required = false) Double longitudeDeg,
            @RequestParam(defaultValue = "0") double elevationM) {
        Optional<Observer> observer = observer(from, to, latitudeDeg, longitudeDeg, elevationM);
        List<SolarEclipse> all = SolarEclipses.between(from, to);
        return observer.isEmpty()
                ? all.stream().map(EclipseApi::global).toList()
                : all.stream()
                        .flatMap(e -> LocalSolarEclipse.of(e, observer.get(), Skyline.FLAT).stream())
                        .map(EclipseApi::local)
                        .toList();
    }

    private static Solar global(SolarEclipse e) {
        return new Solar(
                e.type().words(),
                null,
                null,
                e.greatest(),
                null,
                null,
                null,
                null,
                null,
                null,
                e.gamma(),
                null,
                null,
                null,
                null);
    }

    private static Solar local(LocalSolarEclipse l) {
        LocalSolarEclipse.Contact max = l.max();
        return new Solar(
                l.type().words(),
                when(l, "c1"),
                when(l, "c2"),
                max.when(),
                when(l, "c3"),
                when(l, "c4"),
                l.magnitude(),
                l.obscuration(),
                max.sun().altitudeDeg(),
                max.sun().azimuthDeg(),
                null,
                l.contacts().stream()
                        .filter(c -> !c.up())
                        .map(LocalSolarEclipse.Contact::name)
                        .toList(),
                l.seen().map(LocalSolarEclipse.Seen::when).orElse(null),
                l.seen().map(LocalSolarEclipse.Seen::magnitude).orElse(null),
                l.seen().map(LocalSolarEclipse.Seen::obscuration).orElse(null));
    }

    private static Instant when(LocalSolarEclipse l, String contact) {
        return l.contact(contact).map(LocalSolarEclipse.Contact::when).orElse(null);
    }

    /**
     * A point of the central line, where the axis of the shadow meets the sea-level ellipsoid.
     *
     * @param widthKm null under a sun lower than 5°, where it would be a guess
     */
    public record PathPoint(
            Instant utc,
            double latitudeDeg,
            double longitudeDeg,
            double durationSeconds,
            Double widthKm,
            double sunAltitudeDeg) {}

    @GetMapping("/solar/path")
    @Operation(
            summary = "Central line of an eclipse of the sun",
            description =
                    "At minutes of UTC that are multiples of the step, 1 to 60; empty for an eclipse that is not central.")
    List<PathPoint> path(@RequestParam LocalDate date, @RequestParam(defaultValue = "5") double stepMinutes) {
        Instant from = date.atStartOfDay(ZoneOffset.UTC).toInstant();
        SolarEclipse e = SolarEclipses.between(from, from.plus(Duration.ofDays(1))).stream()
                .findFirst()
                .orElseThrow(() -> new BadParameter(
                        "date", "has no eclipse of the sun", "the UTC date of a greatest eclipse, 2000 to 2059"));
        return CentralLine.of(e, Duration.ofMinutes(Math.round(stepMinutes))).stream()
                .map(p -> new PathPoint(
                        p.when(),
                        p.site().latitudeDeg(),
                        p.site().longitudeDeg(),
                        p.durationSeconds(),
                        p.width().isPresent() ? p.width().getAsDouble() : null,
                        p.sunAltitudeDeg()))
                .toList();
    }
}
