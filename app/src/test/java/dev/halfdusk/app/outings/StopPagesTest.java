package dev.halfdusk.app.outings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.halfdusk.app.Ask;
import dev.halfdusk.app.PageFields;
import dev.halfdusk.app.StoringTest;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.web.Imported;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Id;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.outing.Clash;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.outing.Way;
import dev.halfdusk.core.take.Free;
import dev.halfdusk.core.take.MilkyWay;
import dev.halfdusk.core.take.Stack;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Wish;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** A night at two places: a coast, and a tower 25 min of road and 10 on foot from it. */
class StopPagesTest extends StoringTest {

    @Autowired
    private OutingPlanner evening;

    @Autowired
    private OutingFile files;

    private static final LocalDate NIGHT = LocalDate.parse("2027-07-04");

    private static int number;

    private Place coast;
    private Place tower;
    private NamedRig rig;
    private long id;
    private String home;

    @BeforeEach
    void outing() throws Exception {
        number++;
        coast = place("Coast " + number, 37.6, -8.8);
        tower = place("Tower " + number, 37.7, -8.7);
        rig = kit.rigs().get(0);
        id = outings.save(Outing.fresh("Two places " + number, coast, NIGHT)).id();
        home = "/outings/" + id;
        web.perform(post(home + "/stops?place=" + tower.id() + "&driveMinutes=25&walkMinutes=10"))
                .andExpect(redirectedUrl(home + "#stops"));
    }

    /** One that is given no way lies at the door, and its fields say so. */
    @Test
    void another_place_begins_at_the_door() throws Exception {
        String page = Ask.ok(web, home);
        assertThat(PageFields.ofNew(page, home + "/stops"))
                .containsEntry("driveMinutes", "0")
                .containsEntry("walkMinutes", "0");
    }

    private Place place(String name, double latitude, double longitude) {
        return made.place(name, latitude, longitude, 5, "Europe/Lisbon", new Mark("Stack", 176, 140, 24, 13, 0));
    }

    private long add(String name, int stop, int hour, int minute) {
        Take take = Take.of(name, new Free(30, false), Takes.camera(rig))
                .with(Wish.at(LocalTime.of(hour, minute)))
                .at(stop);
        return takes.add(id, take, rig.id());
    }

    private OutingPlanner.Arranged night() {
        return evening.of(outings.existing(id));
    }

    /** Packed at 22:45; there at 22:45 + 25 + 10, for nobody walks at the coast. */
    @Test
    void a_night_goes_from_place_to_place_on_every_page() throws Exception {
        add("Here", 0, 22, 0);
        add("There", 1, 23, 45);
        assertThat(night().schedule().slots()).extracting(Slot::stop).containsExactly(0, 1);
        assertThat(Ask.ok(web, home))
                .contains("Places of this night", "25 min on the road, 10 min on foot", "14 km NE as the crow flies")
                .contains("at " + tower.name() + ", ", "35 min on the way")
                .contains(">23:20</strong> <span class=\"quiet\">to 00:30</span>");
        assertThat(Ask.ok(web, home + "/sheet")).contains("Leave " + coast.name() + " for " + tower.name());
        assertThat(Ask.ok(web, home + "/sheet"))
                .contains("The pole is due north, 38\u00b0 up", "Polaris stands 0.6\u00b0 from it");
        assertThat(Ask.ok(web, home + "/field")).contains("Arrive at " + tower.name());
        assertThat(Ask.ok(web, home + "/sheet/night.ics"))
                .contains("SUMMARY:On to " + tower.name(), "LOCATION:" + tower.name(), "GEO:37.7;-8.7");
        assertThat(Ask.ok(web, home + "/sheet/night.gpx")).contains(coast.name(), tower.name());
        assertThat(Ask.ok(web, home + "/sheet/night.csv")).contains("Arrive at " + tower.name());
    }

    /** Ten minutes sooner the way is too long. */
    @Test
    void what_one_cannot_reach_is_a_clash() throws Exception {
        long here = add("Here", 0, 22, 0);
        long there = add("There", 1, 23, 20);
        assertThat(night().schedule().left()).hasSize(1);
        takes.pin(id, here, Optional.of(Night.at(NIGHT, LocalTime.of(22, 0), coast.zone())));
        takes.pin(id, there, Optional.of(Night.at(NIGHT, LocalTime.of(23, 20), coast.zone())));
        assertThat(night().clashes()).extracting(ToldClash::kind).contains(Clash.Kind.WAY);
        assertThat(Ask.ok(web, home)).contains("to pack and the way take 50 min");
        // hours before one arrives, and at the same minute
        for (int hour : new int[] {12, 18}) {
            for (long take : new long[] {here, there}) {
                Take stars = takes.existing(id, take).take().with(new Stack(3, 0));
                takes.change(id, take, stars, rig.id());
                takes.pin(id, take, Optional.of(Night.at(NIGHT, LocalTime.of(hour, 0), coast.zone())));
            }
            assertThat(Ask.ok(web, home)).contains("begins before you arrive");
            assertThat(Ask.ok(web, home + "/sheet")).contains("Arrive at " + tower.name());
            assertThat(Ask.ok(web, home + "/field")).contains(tower.name());
            assertThat(Ask.ok(web, home + "/sheet/night.ics")).contains("SUMMARY:On to " + tower.name());
            assertThat(Ask.ok(web, "/outings?search=" + tower.name())).contains(home, coast.name());
        }
    }

    @Test
    void a_take_stands_over_the_mark_of_its_own_place() throws Exception {
        Id here = places.known(coast.id()).keySet().iterator().next();
        Id there = places.known(tower.id()).keySet().iterator().next();
        web.perform(post(home + "/takes")
                        .param("subject", MilkyWay.KIND.key())
                        .param("rig", "" + rig.id())
                        .param("stop", "1")
                        .param("wish", Wish.Kind.SIGHT_OVER_MARK.key())
                        .param("mark", here.text()))
                .andExpect(status().is3xxRedirection());
        Take take = takes.of(id).get(0).take();
        assertThat(take.stop()).isOne();
        assertThat(take.wish().mark()).contains(new Named(there, "Stack"));
        assertThat(night().takes().get(0).plan().c().night().observer().site()).isEqualTo(tower.site());
        assertThat(Ask.ok(web, home)).contains("Stack, " + coast.name(), "Stack, " + tower.name());
        assertThat(Ask.refused(web, post(home + "/takes?subject=free&name=x&rig=" + rig.id() + "&stop=2")))
                .contains("Choose a place of this night.");
    }

    @Test
    void what_is_wrong_about_a_place_is_said_beside_it() throws Exception {
        assertThat(Ask.refused(web, post(home + "/stops?place=x&driveMinutes=2000&walkMinutes=soon")))
                .contains("Choose a place from the list.", "0 to 1440", "value=\"2000\"", "value=\"soon\"");
        assertThat(Ask.refused(
                        web, post(home + "/stops/1?was=" + tower.id() + "&place=" + coast.id() + "&walkMinutes=601")))
                .contains("value=\"601\"");
        assertThat(outings.existing(id).further()).containsExactly(new Outing.Further(tower, new Way(25, 10)));
        for (int i = 2; i <= 5; i++) {
            web.perform(post(home + "/stops").param("place", "" + coast.id()))
                    .andExpect(redirectedUrl(home + "#stops"));
        }
        assertThat(Ask.refused(web, post(home + "/stops").param("place", "" + coast.id())))
                .contains("A night has at most 6 places.");
    }

    @Test
    void a_place_goes_only_without_its_takes_and_those_after_it_stay_where_they_are() throws Exception {
        web.perform(post(home + "/stops?place=" + coast.id() + "&driveMinutes=5"));
        long there = add("There", 1, 23, 45);
        long last = add("Last", 2, 2, 0);
        assertThat(Ask.refused(web, post(home + "/stops/1/remove").param("was", "" + tower.id())))
                .contains("move or delete them first");
        // another tab has changed it meanwhile
        web.perform(post(home + "/stops/1/remove").param("was", "" + coast.id()))
                .andExpect(status().isNotFound());
        web.perform(post(home + "/stops/9/remove").param("was", "" + coast.id()))
                .andExpect(status().isNotFound());
        web.perform(post(home + "/takes/" + there + "/delete"));
        web.perform(post(home + "/stops/1/remove").param("was", "" + tower.id()))
                .andExpect(redirectedUrl(home + "#stops"));
        assertThat(outings.existing(id).further()).containsExactly(new Outing.Further(coast, new Way(5, 0)));
        assertThat(takes.existing(id, last).take().stop()).isOne();
        web.perform(post(home + "/takes/" + there + "/restore")).andExpect(status().is3xxRedirection());
        assertThat(takes.existing(id, there).take().stop()).isZero();
        assertThat(Ask.ok(web, home)).contains("There");
    }

    @Test
    void a_place_that_is_changed_takes_its_takes_with_it() throws Exception {
        long there = add("There", 1, 23, 45);
        Place other = place("Other " + number, 37.8, -8.6);
        Id stack = places.known(tower.id()).keySet().iterator().next();
        takes.change(
                id,
                there,
                takes.existing(id, there).take().with(Wish.over(Wish.Kind.MOON_OVER_MARK, new Named(stack, "Stack"))),
                rig.id());
        web.perform(post(home + "/stops/1?was=" + tower.id() + "&place=" + other.id() + "&driveMinutes=40"))
                .andExpect(redirectedUrl(home + "#stops"));
        assertThat(outings.existing(id).further()).containsExactly(new Outing.Further(other, new Way(40, 0)));
        assertThat(takes.existing(id, there).take().wish().mark().orElseThrow().id())
                .isEqualTo(places.known(other.id()).keySet().iterator().next());
    }

    /** A night like an earlier one has its places too, and another first place changes nothing about the others. */
    @Test
    void places_go_along_with_takes() throws Exception {
        Id stack = places.known(tower.id()).keySet().iterator().next();
        Wish over = Wish.over(Wish.Kind.MOON_OVER_MARK, new Named(stack, "Stack"));
        long there = add("There", 1, 23, 45);
        takes.change(id, there, takes.existing(id, there).take().with(over), rig.id());
        Place other = place("Other coast " + number, 37.5, -8.9);
        String made = Ask.to(web, post("/outings?title=Like it&place=" + other.id() + "&night=2027-08-02&like=" + id));
        long like = Long.parseLong(made.substring("/outings/".length()));
        assertThat(outings.existing(like).places()).extracting(Place::id).containsExactly(other.id(), tower.id());
        Take taken = takes.of(like).get(0).take();
        assertThat(taken.stop()).isOne();
        assertThat(taken.wish()).isEqualTo(over);
        web.perform(post("/outings/" + like + "?title=Like it&place=" + coast.id() + "&night=2027-08-02"))
                .andExpect(status().is3xxRedirection());
        assertThat(outings.existing(like).places()).extracting(Place::id).containsExactly(coast.id(), tower.id());
        assertThat(takes.of(like).get(0).take().wish()).isEqualTo(over);
    }

    /** At 60° S the frame looks near the pole, and stars trail later than at the coast: all that is said of a take is said under its own sky. */
    @Test
    void what_is_said_of_a_take_is_said_at_its_place() throws Exception {
        Place south = place("South " + number, -60, -8.7);
        web.perform(post(home + "/stops/1?was=" + tower.id() + "&place=" + south.id()));
        long here = takes.add(
                id, Take.of("Stars", new Stack(3, 0), Takes.camera(rig)).aimed(new Direction(200, 60)), rig.id());
        long there = takes.add(
                id,
                Take.of("Stars", new Stack(3, 0), Takes.camera(rig))
                        .aimed(new Direction(200, 60))
                        .at(1),
                rig.id());
        assertThat(shutter(here)).isLessThan(shutter(there));
        assertThat(Ask.ok(web, home + "?take=" + there + "&minute=720")).contains("place=" + south.id());
        String after = Ask.ok(web, home + "/takes/" + there + "/after?seen=streaks");
        assertThat(after).isNotEqualTo(Ask.ok(web, home + "/takes/" + here + "/after?seen=streaks"));
    }

    private double shutter(long take) {
        OutingPlanner.Planned planned = night().find(take).orElseThrow();
        return planned.plan()
                .program()
                .apply(planned.plan().c().night().best())
                .steps()
                .get(0)
                .settings()
                .seconds();
    }

    @Test
    void a_file_brings_the_places_back() throws Exception {
        long there = add("There", 1, 23, 45);
        ObjectNode file = files.write(id).orElseThrow();
        assertThat(file.at("/stops/0/place/name").asText()).isEqualTo(tower.name());
        assertThat(file.at("/takes/0/stop").asInt()).isOne();
        assertThat(files.read(file, Imported.Wanted.NOTHING, files.reader()).state())
                .isEqualTo(Imported.State.EQUAL);
        ObjectNode elsewhere = file.deepCopy().put("title", "Elsewhere " + number);
        ((ObjectNode) elsewhere.at("/stops/0/place")).put("name", "New tower " + number);
        Imported read = files.read(elsewhere, Imported.Wanted.NEW_AND_CHANGED, files.reader());
        assertThat(read.why()).isEmpty();
        Outing came = outings.all().stream()
                .filter(o -> o.title().equals("Elsewhere " + number))
                .findFirst()
                .orElseThrow();
        assertThat(came.places()).extracting(Place::name).containsExactly(coast.name(), "New tower " + number);
        assertThat(takes.of(came.id()).get(0).take().stop()).isOne();
        assertThat(came.further().get(0).way().driveMinutes()).isEqualTo(25);
        assertThat(came.further().get(0).way().walkMinutes()).isEqualTo(10);
        ObjectNode bad = file.deepCopy();
        ((ObjectNode) bad.at("/stops/0")).put("driveMinutes", -1);
        ((ObjectNode) bad.at("/takes/0")).put("stop", 4);
        assertThat(files.read(bad, Imported.Wanted.NEW_AND_CHANGED, files.reader())
                        .why())
                .contains(
                        "stops[0].driveMinutes: -1 is outside what is allowed: 0 to 1440 min",
                        "takes[0].stop: a number, ");
        assertThat(takes.existing(id, there).take().stop()).isOne();
    }

    /** A camera that another outing has on that night; not one on another night, nor one without takes. */
    @Test
    void another_outing_with_the_same_camera_that_night_is_a_clash() throws Exception {
        add("Here", 0, 22, 0);
        assertThat(night().clashes()).noneMatch(k -> k.words().contains("Rival " + number));
        Outing other = outings.save(Outing.fresh("Rival " + number, tower, NIGHT));
        outings.save(Outing.fresh("Idle " + number, tower, NIGHT));
        takes.add(other.id(), Take.of("Rival", new Free(5, false), Takes.camera(rig)), rig.id());
        assertThat(night().clashes())
                .filteredOn(k -> k.kind() == Clash.Kind.ELSEWHERE)
                .filteredOn(k -> k.words().contains("Rival " + number))
                .singleElement()
                .satisfies(k -> assertThat(k.words())
                        .isEqualTo(rig.body().name() + " is planned in \u201cRival " + number
                                + "\u201d as well on this night."));
        assertThat(Ask.ok(web, home)).contains("Rival " + number);
        web.perform(post("/outings/" + other.id() + "/delete"));
        assertThat(night().clashes()).noneMatch(k -> k.words().contains("Rival " + number));
        web.perform(post("/outings/" + other.id() + "/restore"));
        assertThat(night().clashes()).anyMatch(k -> k.words().contains("Rival " + number));
        outings.save(other.withNight(NIGHT.plusDays(1)));
        assertThat(night().clashes())
                .filteredOn(k -> k.kind() == Clash.Kind.ELSEWHERE)
                .noneMatch(k -> k.words().contains("Rival " + number));
    }

    @Test
    void a_place_of_a_night_is_needed() throws Exception {
        web.perform(post("/places/" + tower.id() + "/delete"))
                .andExpect(content().string(not(containsString("deleted="))));
        assertThat(places.find(tower.id())).isPresent();
        web.perform(post(home + "/delete"));
        web.perform(post("/places/" + tower.id() + "/delete"));
        assertThat(places.find(tower.id())).isEmpty();
        web.perform(post(home + "/restore"));
        assertThat(places.find(tower.id())).isPresent();
        assertThat(List.copyOf(outings.existing(id).places()))
                .extracting(Place::id)
                .contains(tower.id());
    }
}
