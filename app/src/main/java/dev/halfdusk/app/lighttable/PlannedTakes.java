package dev.halfdusk.app.lighttable;

import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.outings.OutingPlanner;
import dev.halfdusk.app.outings.Outings;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.take.Need;
import dev.halfdusk.core.take.Take;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.web.util.UriComponentsBuilder;

/** Takes of stars, of outings near today, that frames can belong to. */
@Component
class PlannedTakes {

    /** Outings that are looked at: those whose night is nearest. */
    private static final int OUTINGS = 6;

    private static final LocalTime NOON = LocalTime.NOON;

    private final Outings outings;
    private final OutingPlanner planner;
    private final Clock clock;

    PlannedTakes(Outings outings, OutingPlanner planner, Clock clock) {
        this.outings = outings;
        this.planner = planner;
        this.clock = clock;
    }

    /** The nearest in time first. */
    List<PlannedTake> near() {
        LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC);
        return outings.briefs().stream()
                .sorted(Comparator.comparingLong(o -> Math.abs(o.night().toEpochDay() - today.toEpochDay())))
                .limit(OUTINGS)
                .flatMap(o -> outings.find(o.id()).stream())
                .flatMap(o -> of(o).stream())
                .toList();
    }

    private List<PlannedTake> of(Outing outing) {
        OutingPlanner.Arranged night = planner.of(outing);
        List<PlannedTake> all = new ArrayList<>();
        for (OutingPlanner.Planned p : night.takes()) {
            Optional<Slot> slot = night.slot(p);
            if (p.take().subject().needs().contains(Need.DARK) && slot.isPresent()) {
                all.add(planned(outing, p, night.place(p), slot.get()));
            }
        }
        return all;
    }

    private static PlannedTake planned(Outing outing, OutingPlanner.Planned p, Place place, Slot slot) {
        Instant opens = slot.runs().from();
        Take take = p.take();
        Setup setup = take.setup(p.plan().c(), opens);
        Settings settings = p.plan().program().apply(opens).steps().get(0).settings();
        return new PlannedTake(
                outing.id() + "-" + p.id(),
                take.name() + ", " + outing.title(),
                opens,
                slot.runs().to(),
                setup,
                settings,
                place.zone(),
                frame(setup, p.stored().rig().id(), place, outing.night(), opens));
    }

    private static String frame(Setup setup, long rig, Place place, LocalDate night, Instant opens) {
        Instant noon = night.atTime(NOON).atZone(place.zone()).toInstant();
        UriComponentsBuilder uri = UriComponentsBuilder.fromPath("/frame")
                .queryParam("rig", rig)
                .queryParam("place", place.id())
                .queryParam("night", night)
                .queryParam("minute", Duration.between(noon, opens).toMinutes())
                .queryParam("focal", Numbers.plain(setup.onLensMm()))
                .queryParam("azimuth", Numbers.plain(setup.pointing().axis().azimuthDeg(), 3))
                .queryParam("altitude", Numbers.plain(setup.pointing().axis().altitudeDeg(), 3))
                .queryParam("tolerance", Numbers.plain(setup.demand().tolerancePx()))
                .queryParam("sharp", setup.demand().sharp().key())
                .queryParam("view", "photograph");
        if (setup.pointing().held() == Orientation.PORTRAIT) {
            uri.queryParam("upright", "on");
        }
        return uri.encode().build().toUriString();
    }

    static List<Choice> choices(List<PlannedTake> takes) {
        return takes.stream().map(t -> new Choice(t.key(), t.words())).toList();
    }
}
