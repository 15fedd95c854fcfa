package dev.halfdusk.app.api;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.halfdusk.core.eclipse.LocalEclipse;
import dev.halfdusk.core.eclipse.LunarEclipse;
import dev.halfdusk.core.eclipse.LunarEclipses;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Eclipses. */
@RestController
@RequestMapping("/api/eclipses")
@Tag(name = "eclipses", description = "Eclipses of the moon")
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
            Instant u1,
            Instant u2,
            Instant max,
            Instant u3,
            Instant u4,
            Instant p4,
            String seen,
            List<Contact> contacts) {}

    /** A contact from a site, over a level horizon; altitudes without refraction. */
    public record Contact(
            String contact, Instant utc, double altitudeDeg, double azimuthDeg, double sunAltitudeDeg, boolean up) {}

    @GetMapping("/lunar")
    @Operation(
            summary = "Eclipses of the moon between two instants",
            description = "2000 to 2059. lat and lon go together; with them each contact says where the moon stands.")
    List<Lunar> lunar(
            @RequestParam Instant from,
            @RequestParam Instant to,
            @RequestParam(required = false) Double lat,
            @RequestParam(required = false) Double lon,
            @RequestParam(defaultValue = "0") double elevation) {
        if (to.isBefore(from)) {
            throw new BadParameter("to", "is before from", "an instant after from");
        }
        if ((lat == null) != (lon == null)) {
            throw new BadParameter(lat == null ? "lat" : "lon", "is missing", "both lat and lon, or neither");
        }
        Observer observer = lat == null ? null : Observer.at(new Site(lat, lon, elevation));
        return LunarEclipses.between(from, to).stream()
                .map(e -> of(e, observer))
                .toList();
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
                c.name(), c.when(), c.moon().altitudeDeg(), c.moon().azimuthDeg(), c.sunAltitudeDeg(), c.up());
    }
}
