package dev.halfdusk.app.outings;

import com.github.benmanes.caffeine.cache.AsyncCache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.setup.SetupRequest;
import dev.halfdusk.app.setup.TakePage;
import dev.halfdusk.app.web.Background;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.frame.TrailFrames;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Id;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.outing.NextTakes;
import dev.halfdusk.core.outing.Progress;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.take.EclipsedSun;
import dev.halfdusk.core.take.NightScene;
import dev.halfdusk.core.take.Take;
import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** What could be taken next at a place: a wall of subjects, each with its photograph and its next good night. */
@Controller
class NextTakesController {

    /** Of a trail: enough to see what it is. */
    private static final int FEW_FRAMES = 60;

    /** Degrees that are seen of a sky with only a sun in it. */
    private static final String SUN_ACROSS = "1.4";

    private static final int WALLS_KEPT = 24;
    private static final Duration AS_LONG_AS = Duration.ofMinutes(30);

    /** Before the page comes without them. */
    private static final Duration PATIENCE = Duration.ofMillis(500);

    /** All that a wall depends on but the wind, which shifts a moon's shutter. */
    private record Key(Place place, Map<Id, Mark> marks, List<NamedRig> rigs, LocalDate today) {}

    /** Of its own: jobs may be readings of hundreds of frames, and are kept though they failed. */
    private final ExecutorService reckoning = Background.threads("next takes", 2);

    /** Those that fail are forgotten. */
    private final AsyncCache<Key, List<Card>> walls = Caffeine.newBuilder()
            .maximumSize(WALLS_KEPT)
            .expireAfterWrite(AS_LONG_AS)
            .executor(reckoning)
            .buildAsync();

    private final Places places;
    private final OutingPlanner evening;
    private final Kit kit;
    private final Clock clock;

    NextTakesController(Places places, OutingPlanner evening, Kit kit, Clock clock) {
        this.places = places;
        this.evening = evening;
        this.kit = kit;
        this.clock = clock;
    }

    @PreDestroy
    void stop() {
        reckoning.shutdownNow();
    }

    /**
     * A subject on the wall.
     *
     * @param photograph address of its photograph
     * @param settings "6 s, f/1.8, ISO 4000"
     * @param fields of an outing with just this take
     */
    public record Card(
            String name,
            LocalDate night,
            String date,
            String away,
            String clock,
            String why,
            String settings,
            String photograph,
            Map<String, String> fields) {}

    @GetMapping("/events/next")
    String next(@RequestParam Optional<String> place, Model model) throws InterruptedException {
        List<Place> all = places.all();
        Optional<Place> chosen = Places.chosen(place, all);
        if (chosen.isPresent()) {
            Place p = chosen.get();
            LocalDate today = LocalDate.now(clock.withZone(p.zone()));
            model.addAttribute("place", p);
            cards(new Key(p, places.known(p.id()), kit.rigs(), today)).ifPresent(c -> model.addAttribute("cards", c));
        }
        model.addAttribute("places", all);
        return "events/next";
    }

    /** Empty while they are still being worked out. */
    private Optional<List<Card>> cards(Key wall) throws InterruptedException {
        try {
            return Optional.of(walls.get(wall, this::reckoned).get(PATIENCE.toMillis(), TimeUnit.MILLISECONDS));
        } catch (TimeoutException e) {
            return Optional.empty();
        } catch (ExecutionException e) {
            throw e.getCause() instanceof RuntimeException r ? r : new IllegalStateException(e.getCause());
        }
    }

    private List<Card> reckoned(Key wall) {
        return evening.next(wall.place, wall.today).stream()
                .flatMap(n -> card(wall, n).stream())
                .toList();
    }

    private Optional<Card> card(Key wall, NextTakes.Next next) {
        return wall.rigs.stream()
                .filter(r -> Takes.camera(r).id().equals(next.take().camera().id()))
                .findFirst()
                .map(rig -> card(wall.place, next, rig, wall.today));
    }

    private Card card(Place place, NextTakes.Next next, NamedRig rig, LocalDate today) {
        Take take = next.take();
        Program program = evening.plan(take, place, next.c()).program().apply(next.at());
        Program.Step step = ChosenTake.step(program, next.at());
        Setup setup = take.setup(next.c(), next.at());
        SetupRequest asked =
                new SetupRequest(rig, place, next.night(), setup, Optional.empty(), OptionalDouble.empty());
        CameraBody body = take.camera().rig().body();
        return new Card(
                take.name(),
                next.night().date(),
                Words.shortDay(next.day()),
                Words.away(today, next.day()),
                next.night().clock(next.at()),
                next.why(),
                body.words(step.settings()),
                photograph(asked, take, step),
                fields(place, next, rig));
    }

    /** Under a clear sky; of a street or harbour by its lamps. */
    private static String photograph(SetupRequest asked, Take take, Program.Step step) {
        if (take.subject() instanceof NightScene) {
            return TakePage.of(
                            take,
                            asked.setup().demand(),
                            asked.named().id(),
                            asked.place(),
                            asked.night().date(),
                            asked.when())
                    .map(p -> p.id().replace("?", "/photograph.jpg?"))
                    .orElseThrow();
        }
        Optional<TrailFrames> trails = ChosenTake.trails(take, step)
                .map(k -> new TrailFrames(Math.min(FEW_FRAMES, k.frames()), k.pauseSeconds()));
        String query = ChosenTake.query(asked, step, trails, take.subject());
        String clear = query.replace("&clouds=forecast", "");
        return take.subject() instanceof EclipsedSun
                ? "/frame/close.jpg?" + clear + "&small=on&across=" + SUN_ACROSS
                : "/frame/small.jpg?" + clear;
    }

    /** What a new outing with this take is made of. */
    private static Map<String, String> fields(Place place, NextTakes.Next next, NamedRig rig) {
        Take take = next.take();
        Form form = TakeForm.fields(new Takes.Stored(0, rig, take, Progress.AHEAD), place.zone());
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("title", take.name() + " at " + place.name());
        fields.put("place", "" + place.id());
        fields.put("night", next.night().date().toString());
        TakeForm.names(take.subject().kind()).stream().filter(form::has).forEach(n -> fields.put(n, form.value(n)));
        return fields;
    }
}
