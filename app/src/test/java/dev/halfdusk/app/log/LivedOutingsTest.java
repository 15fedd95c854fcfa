package dev.halfdusk.app.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import dev.halfdusk.app.Ask;
import dev.halfdusk.app.StoringTest;
import dev.halfdusk.app.TestFolder;
import dev.halfdusk.app.jobs.Job;
import dev.halfdusk.app.jobs.Jobs;
import dev.halfdusk.app.kit.NamedBody;
import dev.halfdusk.app.kit.NamedGear;
import dev.halfdusk.app.kit.NamedLens;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.kit.UsualDecision;
import dev.halfdusk.app.learned.Habits;
import dev.halfdusk.app.outings.FromLog;
import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.outings.OutingPlanner;
import dev.halfdusk.app.outings.Takes;
import dev.halfdusk.app.pictures.CameraFile;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.Window;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.log.Learnable;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.outing.Progress;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.take.MilkyWay;
import dev.halfdusk.core.take.Take;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/**
 * Three outings are lived through: begun late, under a sky brighter than its towns, with longer stars that were kept and a battery that
 * gave out in the frost. The fourth plan differs in what was learned and in nothing else, and goes back.
 */
class LivedOutingsTest extends StoringTest {

    private static final double TRUE_ZENITH = 20.9;
    private static final int LATE = 12;
    private static final int WIDE = 960;
    private static final List<LocalDate> NIGHTS =
            List.of(LocalDate.parse("2026-06-13"), LocalDate.parse("2026-07-13"), LocalDate.parse("2026-08-11"));
    private static final LocalDate FOURTH = LocalDate.parse("2027-09-01");

    @Autowired
    private OutingPlanner planner;

    @Autowired
    private EntryMaker maker;

    @Autowired
    private Entries entries;

    @Autowired
    private FrameKeeper keeper;

    @Autowired
    private Jobs jobs;

    @Autowired
    private UsualDecision usual;

    @Autowired
    private Habits habits;

    @Autowired
    private FromLog fromLog;

    @Autowired
    private Observations observations;

    private final List<Long> lived = new ArrayList<>();
    private Place place;
    private NamedRig rig;
    private long battery;

    private void home() {
        place = made.place("Lived ledge", 37.6, -8.8, 20, "Europe/Lisbon");
        long body = kit.save(
                new NamedBody(null, "Lived body", CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200), ""));
        long lens = kit.save(new NamedLens(null, "Lived lens", new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR), ""));
        battery = kit.save(new NamedGear(null, "Lived battery", 80, new Gear.Battery(900, 150), ""));
        long made = kit.save(new NamedRig(
                null,
                "Lived rig",
                kit.body(body).orElseThrow(),
                kit.lens(lens).orElseThrow(),
                List.of(kit.gear(battery).orElseThrow())));
        rig = kit.rig(made).orElseThrow();
    }

    private Outing planned(String title, LocalDate night) {
        Outing o = outings.save(Outing.fresh(title, places.find(place.id()).orElseThrow(), night));
        planner.add(
                o,
                Take.of("Core", new MilkyWay(0), Takes.camera(kit.rig(rig.id()).orElseThrow())));
        return o;
    }

    /** Plan, field, frames and the words of the morning. */
    private void live(int number, LocalDate night) throws Exception {
        Outing o = planned("Lived " + number, night);
        OutingPlanner.Arranged plan = planner.of(o);
        Slot slot = plan.schedule().slots().get(0);
        Progress.late(plan.schedule(), slot, Duration.ofMinutes(LATE))
                .forEach((s, p) -> takes.progress(o.id(), plan.of(s).id(), p));
        Entry e = maker.write(o.id()).orElseThrow();
        lived.add(e.id());

        Path folder = Files.createDirectories(TestFolder.fresh().resolve("night" + number));
        Settings set = slot.program().steps().get(0).settings();
        Settings longer = set.withSeconds(set.seconds() * 1.6);
        Setup setup = plan.takes().get(0).take().setup(plan.c(), slot.runs().from());
        List<Path> files = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            Instant at = slot.runs().from().plus(Duration.ofMinutes(LATE)).plusSeconds(30L * i);
            files.add(Files.write(
                    folder.resolve("LIVED_%04d.tif".formatted(number * 10 + i)), photograph(setup, longer, at, i)));
        }
        Job<FrameKeeper.Result> job = jobs.of("lived " + number, files.size(), j -> keeper.fromFiles(e, files, j));
        while (!job.finished()) {
            Thread.sleep(20);
        }
        assertThat(job.result().orElseThrow().fresh()).isEqualTo(3);
        assertThat(job.result().orElseThrow().refused()).isEmpty();

        MockHttpServletRequestBuilder says = post("/log/" + e.id() + "/frames");
        entries.frames(e.id()).forEach(f -> says.param("says." + f.id(), "kept"));
        web.perform(says).andExpect(status().is3xxRedirection());
        long take = entries.takes(e.id()).get(0).id();
        web.perform(post("/log/" + e.id())
                        .param("rating", "3")
                        .param("good", "Quiet.")
                        .param("better", "Warm the spare battery, " + number)
                        .param("celsius", "2")
                        .param("cloud", "0")
                        .param("battery." + take, "" + (60 + number)))
                .andExpect(status().is3xxRedirection());
    }

    /** As it was, under a sky that nobody knew. */
    private static byte[] photograph(Setup setup, Settings set, Instant at, int seed) {
        Setup now = setup.at(at);
        Shot shot = Shot.of(now, set, Shot.USUAL_KELVIN);
        Standpoint truth = Standpoint.at(
                now.from().site(), now.from().skyline(), now.from().glow().read(TRUE_ZENITH));
        Photograph taken = Photograph.take(
                Scene.open(truth, now.moment()),
                shot,
                Window.whole(shot.framing().optics().sensor(), WIDE),
                seed);
        return CameraFile.tiff(taken, at, shot);
    }

    /** All that a plan is made with, in words, by what it is. */
    private Map<String, String> madeWith(Outing fourth) {
        Map<String, String> all = new TreeMap<>();
        OutingPlanner.Arranged night = planner.of(fourth);
        Place now = places.find(place.id()).orElseThrow();
        all.put("zenith", "" + now.zenithMagnitude());
        all.put("place otherwise", "" + now.read(OptionalDouble.empty()));
        all.put("battery", "" + kit.gear(battery).orElseThrow().gear());
        all.put("body", "" + kit.body(rig.body().id()).orElseThrow());
        all.put("lens", "" + kit.lens(rig.lens().id()).orElseThrow());
        all.put("tolerance", "" + usual.get().stars().tolerancePx());
        all.put("usual otherwise", "" + usual.get().tolerating(OptionalDouble.empty()));
        all.put("first frame", "" + habits.workTimes(1).first());
        all.put("next frame", "" + habits.workTimes(1).next());
        Slot slot = night.schedule().slots().get(0);
        all.put("prepares", "" + slot.prepares().length());
        all.put("settings", "" + slot.program().steps().get(0).settings());
        all.put("battery used", "%.3f".formatted(slot.plan().battery()));
        return all;
    }

    /** What other tests have seen of oneself counts for nothing here. */
    private void onlyTheirs() {
        for (Learnable what : List.of(Learnable.DRIFT, Learnable.SET_UP)) {
            observations.of(new Observations.Thing(what, "")).stream()
                    .filter(n -> !lived.contains(n.entry()))
                    .forEach(n -> observations.count(n.entry(), n.id(), false));
        }
    }

    private void ask(String path, Learnable what, String whose) throws Exception {
        web.perform(post("/log/learned/" + path).param("what", what.key()).param("whose", whose))
                .andExpect(status().is3xxRedirection());
    }

    @Test
    void the_fourth_plan_differs_in_what_was_learned_and_goes_back() throws Exception {
        home();
        for (int i = 0; i < NIGHTS.size(); i++) {
            live(i, NIGHTS.get(i));
        }
        onlyTheirs();
        Map<String, String> before = madeWith(planned("Fourth, as before", FOURTH));
        // seen, but not used before anybody says so
        assertThat(fromLog.of(planner.of(planned("Fourth, unasked", FOURTH)))).isEmpty();
        assertThat(Ask.ok(web, "/log/learned")).contains("Lived ledge", "Lived battery");

        Map<Learnable, String> learned = Map.of(
                Learnable.DARKNESS, "" + place.id(),
                Learnable.DRIFT, "",
                Learnable.ISO, "" + rig.body().id(),
                Learnable.BATTERY_COLD, "" + battery,
                Learnable.SET_UP, "");
        for (Map.Entry<Learnable, String> l : learned.entrySet()) {
            ask("use", l.getKey(), l.getValue());
        }
        Outing fourth = planned("Fourth, having learned", FOURTH);
        Map<String, String> after = madeWith(fourth);

        assertThat(after.entrySet().stream()
                        .filter(e -> !e.getValue().equals(before.get(e.getKey())))
                        .map(Map.Entry::getKey))
                .containsExactlyInAnyOrder(
                        "zenith",
                        "battery",
                        "body",
                        "tolerance",
                        "first frame",
                        "prepares",
                        "settings",
                        "battery used");
        assertThat(places.find(place.id()).orElseThrow().zenithMagnitude().getAsDouble())
                .isCloseTo(TRUE_ZENITH, within(0.4)); // of developed pictures, by towns it is 21.9
        assertThat(habits.setUp()).hasValue(16 + LATE);
        // 61 min at 2 °C are 61 · 0.80 / 0.82 at freezing
        assertThat(((Gear.Battery) kit.gear(battery).orElseThrow().gear())
                        .coldMinutes()
                        .getAsDouble())
                .isCloseTo(61 * 0.8 / 0.82, within(0.6));
        // the planned click draws at most 3 px, the next one more: 1.6 times of that
        assertThat(usual.get().stars().tolerancePx().getAsDouble()).isBetween(3.7, 4.9);

        // each names its nights
        List<FromLog.Line> lines = fromLog.of(planner.of(fourth));
        assertThat(lines).hasSize(5).allSatisfy(l -> {
            assertThat(l.origin().nights()).containsExactly(NIGHTS.get(2), NIGHTS.get(1), NIGHTS.get(0));
            assertThat(l.words()).contains("from 3 nights of yours", "2026");
        });
        assertThat(Ask.ok(web, "/outings/" + fourth.id()))
                .contains("from 3 nights of yours", "Warm the spare battery, 2");
        assertThat(Ask.ok(web, "/places/" + place.id())).contains("from 3 nights of yours");
        assertThat(Ask.ok(web, "/kit/gear/" + battery)).contains("from 3 nights of yours");

        for (Map.Entry<Learnable, String> l : learned.entrySet()) {
            ask("back", l.getKey(), l.getValue());
        }
        assertThat(madeWith(planned("Fourth, put back", FOURTH))).isEqualTo(before);
        assertThat(fromLog.of(planner.of(planned("Fourth, at last", FOURTH)))).isEmpty();
    }
}
