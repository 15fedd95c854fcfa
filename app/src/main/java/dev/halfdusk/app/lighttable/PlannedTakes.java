package dev.halfdusk.app.lighttable;

import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.outings.OutingPlanner;
import dev.halfdusk.app.outings.Outings;
import dev.halfdusk.app.outings.Takes;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.lighttable.Motif;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.take.EclipsedSun;
import dev.halfdusk.core.take.Fireworks;
import dev.halfdusk.core.take.Ground;
import dev.halfdusk.core.take.Need;
import dev.halfdusk.core.take.NightScene;
import dev.halfdusk.core.take.Painting;
import dev.halfdusk.core.take.People;
import dev.halfdusk.core.take.Subject;
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
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.web.util.UriComponentsBuilder;

/** Takes of outings near today that frames can belong to. */
@Component
class PlannedTakes {

    /** Outings that are looked at: those whose night is nearest, long past ones last. */
    private static final int OUTINGS = 6;

    /** Frames of longer ago come in by the log. */
    private static final int LATELY = 30;

    private static final Pattern KEY = Pattern.compile("(\\d{1,18})-\\d{1,18}");

    private static final LocalTime NOON = LocalTime.NOON;

    private final Outings outings;
    private final Takes takes;
    private final OutingPlanner planner;
    private final Clock clock;

    PlannedTakes(Outings outings, Takes takes, OutingPlanner planner, Clock clock) {
        this.outings = outings;
        this.takes = takes;
        this.planner = planner;
        this.clock = clock;
    }

    private Stream<Outing> nearest() {
        LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC);
        return outings.briefs().stream()
                .sorted(Comparator.comparing((Outings.Brief o) -> o.night().isBefore(today.minusDays(LATELY)))
                        .thenComparingLong(o -> Math.abs(o.night().toEpochDay() - today.toEpochDay())))
                .limit(OUTINGS)
                .flatMap(o -> outings.find(o.id()).stream());
    }

    /** The nearest in time first, each with its plan. */
    List<PlannedTake> near() {
        return nearest().flatMap(o -> of(o).stream()).toList();
    }

    /** One of any night, since others may have come nearer while its page was open; empty where it is gone, or has no time in its night. */
    Optional<PlannedTake> find(String key) {
        Matcher m = KEY.matcher(key);
        return m.matches()
                ? outings.find(Long.parseLong(m.group(1))).stream()
                        .flatMap(o -> of(o).stream())
                        .filter(t -> t.key().equals(key))
                        .findFirst()
                : Optional.empty();
    }

    /** Of those near today. */
    List<PlannedTake> ofStars() {
        return near().stream().filter(t -> t.motif() == Motif.STARS).toList();
    }

    /** To choose among, without planning any. */
    List<Choice> choices() {
        return nearest()
                .flatMap(o -> takes.of(o.id()).stream()
                        .filter(t -> motif(t.take().subject()).isPresent())
                        .map(t -> new Choice(key(o, t.id()), words(o, t.take()))))
                .toList();
    }

    /** What a frame of a subject is of; empty where it can not be read. */
    static Optional<Motif> motif(Subject subject) {
        if (subject instanceof EclipsedSun) {
            return Optional.empty();
        }
        if (subject instanceof Fireworks) {
            return Optional.of(Motif.FIREWORKS);
        }
        if (subject.needs().contains(Need.MOON)) {
            return Optional.of(Motif.MOON);
        }
        if (subject instanceof NightScene scene) {
            return Optional.of(scene.exponent() > 1 ? Motif.FILM : Motif.GROUND);
        }
        boolean ground = subject instanceof Ground
                || subject instanceof Painting
                || subject instanceof People people && !people.stars();
        return Optional.of(ground ? Motif.GROUND : Motif.STARS);
    }

    private static String key(Outing outing, long take) {
        return outing.id() + "-" + take;
    }

    private static String words(Outing outing, Take take) {
        return take.name() + ", " + outing.title();
    }

    List<PlannedTake> of(Outing outing) {
        OutingPlanner.Arranged night = planner.of(outing);
        List<PlannedTake> all = new ArrayList<>();
        for (OutingPlanner.Planned p : night.takes()) {
            Optional<Slot> slot = night.slot(p);
            Optional<Motif> motif = motif(p.take().subject());
            if (motif.isPresent() && slot.isPresent()) {
                all.add(planned(outing, p, night.place(p), slot.get(), motif.get()));
            }
        }
        return all;
    }

    private static PlannedTake planned(Outing outing, OutingPlanner.Planned p, Place place, Slot slot, Motif motif) {
        Instant opens = slot.runs().from();
        Take take = p.take();
        Setup setup = take.setup(p.plan().c(), opens);
        Settings settings = p.plan().program().apply(opens).steps().get(0).settings();
        return new PlannedTake(
                key(outing, p.id()),
                words(outing, take),
                opens,
                slot.runs().to(),
                setup,
                settings,
                place.zone(),
                frame(setup, p.stored().rig().id(), place, outing.night(), opens),
                take.subject(),
                motif,
                p.stored().rig().body().id());
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
}
