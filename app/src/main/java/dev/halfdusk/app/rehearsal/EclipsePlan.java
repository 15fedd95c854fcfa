package dev.halfdusk.app.rehearsal;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.core.eclipse.Cue;
import dev.halfdusk.core.eclipse.EclipseTerms;
import dev.halfdusk.core.eclipse.FilterWindow;
import dev.halfdusk.core.eclipse.LocalSolarEclipse;
import dev.halfdusk.core.eclipse.Role;
import dev.halfdusk.core.eclipse.SolarEclipse;
import dev.halfdusk.core.eclipse.SolarEclipses;
import dev.halfdusk.core.sky.Observer;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;

/**
 * An eclipse of the sun at a place with its cameras. Its times are always those of its place.
 *
 * @param other place that is kept as a way out
 * @param date of the greatest eclipse, UTC
 * @param here the eclipse as it is seen from the place
 */
public record EclipsePlan(
        long id,
        Place place,
        Optional<Place> other,
        LocalDate date,
        EclipseTerms terms,
        LocalSolarEclipse here,
        List<PlanCamera> cameras) {

    FilterWindow.Margins margins() {
        return terms.margins();
    }

    /** The eclipse of a date, UTC. */
    public static Optional<SolarEclipse> on(LocalDate date) {
        Instant from = date.atStartOfDay(ZoneOffset.UTC).toInstant();
        return SolarEclipses.between(from, from.plus(Duration.ofDays(1))).stream()
                .findFirst();
    }

    /** As it is seen from a place; empty where nothing of it is. */
    public static Optional<LocalSolarEclipse> seen(LocalDate date, Place from) {
        return SEEN.get(List.of(date, from.site(), from.skyline()), key -> work(date, from));
    }

    /** The same for everyone; a page asks for that of each place near by. */
    private static final Cache<List<Object>, Optional<LocalSolarEclipse>> SEEN =
            Caffeine.newBuilder().maximumSize(500).build();

    private static Optional<LocalSolarEclipse> work(LocalDate date, Place from) {
        return on(date).flatMap(e -> LocalSolarEclipse.of(e, Observer.at(from.site()), from.skyline()));
    }

    Optional<FilterWindow> window() {
        return FilterWindow.of(here, margins());
    }

    /** With those for cameras that run on their own. */
    List<Cue> cues() {
        List<String> recording = cameras.stream()
                .filter(c -> c.role() == Role.VIDEO)
                .map(PlanCamera::name)
                .toList();
        return Cue.of(here, margins(), recording);
    }

    Optional<PlanCamera> find(long camera) {
        return cameras.stream().filter(c -> c.id() == camera).findFirst();
    }

    PlanCamera camera(long camera) {
        return find(camera).orElseThrow(() -> new NotFound("camera " + camera));
    }
}
