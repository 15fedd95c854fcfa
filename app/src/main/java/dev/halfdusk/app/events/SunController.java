package dev.halfdusk.app.events;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.core.eclipse.CentralLine;
import dev.halfdusk.core.eclipse.EclipseZones;
import dev.halfdusk.core.eclipse.LocalSolarEclipse;
import dev.halfdusk.core.eclipse.SolarEclipse;
import dev.halfdusk.core.eclipse.SolarEclipses;
import dev.halfdusk.core.sky.Observer;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Where and when an eclipse of the sun is seen: contacts of a place, the path on a map, other places beside it. */
@Controller
class SunController {

    private static final Duration STEP = Duration.ofMinutes(2);
    private static final Duration AHEAD = Duration.ofDays(20 * 365);
    private static final double GRID_DEG = 2;
    private static final List<Integer> ZOOMS = List.of(1, 4, 16, 60);

    private final Places places;
    private final Clock clock;

    /** The path of an eclipse is the same for everyone. */
    private final Cache<SolarEclipse, List<CentralLine.Point>> lines =
            Caffeine.newBuilder().maximumSize(32).build();

    private final Cache<SolarEclipse, EclipseZones> zones =
            Caffeine.newBuilder().maximumSize(32).build();

    SunController(Places places, Clock clock) {
        this.places = places;
        this.clock = clock;
    }

    @GetMapping("/events/sun")
    String sun(
            @RequestParam Optional<String> place,
            @RequestParam Optional<String> date,
            @RequestParam Optional<String> zoom,
            Model model) {
        List<Place> all = places.all();
        model.addAttribute("places", all);
        if (all.isEmpty()) {
            return "events/sun";
        }
        Place here = MoonSetup.place(place, all).orElseThrow();
        Observer observer = Observer.at(here.site());
        Optional<SolarEclipse> found = date.isPresent() ? on(date.get()) : next(observer, here);
        int scale = zoom.flatMap(
                        z -> ZOOMS.stream().filter(k -> z.equals("" + k)).findFirst())
                .orElse(4);
        model.addAttribute("place", here);
        model.addAttribute("zooms", ZOOMS);
        model.addAttribute("zoom", scale);
        found.ifPresent(e -> {
            model.addAttribute("date", LocalDate.ofInstant(e.greatest(), ZoneOffset.UTC));
            MapPicture map = MapPicture.of(
                    lines.get(e, x -> CentralLine.of(x, STEP)),
                    zones.get(e, x -> EclipseZones.of(x, GRID_DEG)),
                    here,
                    all,
                    scale);
            model.addAttribute("map", map);
            LocalSolarEclipse.of(e, observer, here.skyline())
                    .ifPresent(l -> model.addAttribute("view", SunView.of(e, l, here, all, map)));
        });
        return "events/sun";
    }

    private static Optional<SolarEclipse> on(String date) {
        try {
            Instant from = LocalDate.parse(date).atStartOfDay(ZoneOffset.UTC).toInstant();
            return SolarEclipses.between(from, from.plus(Duration.ofDays(1))).stream()
                    .findFirst();
        } catch (DateTimeParseException e) {
            return Optional.empty();
        }
    }

    /** Less than this is nothing to wait for. */
    private static final double LEAST = 0.005;

    /** The next that is total or annular here, else the next of which something is seen. */
    private Optional<SolarEclipse> next(Observer observer, Place here) {
        Instant now = clock.instant();
        List<LocalSolarEclipse> seen = SolarEclipses.between(now, EventsView.within(now.plus(AHEAD))).stream()
                .flatMap(e -> LocalSolarEclipse.of(e, observer, here.skyline()).stream())
                .filter(l -> l.seen().filter(s -> s.magnitude() >= LEAST).isPresent())
                .toList();
        return seen.stream()
                .filter(l -> l.type() != SolarEclipse.Type.PARTIAL && l.max().up())
                .findFirst()
                .or(() -> seen.stream().findFirst())
                .map(LocalSolarEclipse::eclipse);
    }
}
