package dev.halfdusk.app.events;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import dev.halfdusk.app.Ask;
import dev.halfdusk.app.Made;
import dev.halfdusk.app.PageTest;
import dev.halfdusk.app.events.EventsView.EclipseRow;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.core.eclipse.LocalEclipse;
import dev.halfdusk.core.eclipse.LunarEclipses;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Apparent;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.test.web.servlet.MockMvc;

@PageTest
record EventsPageTest(MockMvc web, Skies skies, Made made) {

    private static final Instant JUNE = Instant.parse("2027-06-01T18:00:00Z");

    private Place coast() {
        return made.coast("Events <coast>");
    }

    /** Five years from June 2027: the totals of 2028-12-31, 2029-06-26, 2029-12-20 and 2032-04-25 among them; the first rises eclipsed. */
    @Test
    void eclipses_say_how_much_of_them_is_seen_and_why() {
        EventsView view = EventsView.of(coast(), List.of(), skies, JUNE);
        List<EclipseRow> totals =
                view.eclipses().stream().filter(e -> e.type().equals("total")).toList();
        assertThat(totals).extracting(EclipseRow::date).startsWith("Sun 31 December 2028");
        EclipseRow first = totals.get(0);
        assertThat(first.totality()).isEqualTo("1 h 11 min");
        assertThat(first.night()).isEqualTo(LocalDate.parse("2028-12-31"));
        // greatest at 16:52, moonrise near a quarter past five, so before the end of totality 36 minutes after the
        // greatest
        assertThat(first.why()).isEqualTo("the moon rises eclipsed: seen from before 17:28; its greatest is not seen");
        assertThat(view.eclipses())
                .anyMatch(e -> !e.seen() && e.night() == null && e.why().startsWith("not seen"));
        assertThat(view.eclipses()).anyMatch(e -> e.why().startsWith("seen from beginning to end"));
        assertThat(view.next()).isPresent();
        assertThat(view.next())
                .isEqualTo(view.eclipses().stream()
                        .filter(e -> !e.why().startsWith("not seen"))
                        .findFirst());
    }

    /** At U1 and U4 the discs touch the umbra from outside, at U2 and U3 from inside: distances are sums and differences of radii. */
    @Test
    void the_drawing_is_what_the_geometry_says() {
        LocalEclipse local = LocalEclipse.of(
                LunarEclipses.between(Instant.parse("2028-12-20T00:00:00Z"), Instant.parse("2029-01-05T00:00:00Z"))
                        .get(0),
                Observer.at(new Site(37.6, -8.8, 5)),
                Skyline.FLAT);
        UmbraPicture picture = UmbraPicture.of(local, Observer.at(new Site(37.6, -8.8, 5)));
        assertThat(picture.moons()).hasSize(7);
        double moon = picture.moons().get(3).radius();
        assertThat(distance(picture, 1)).isCloseTo(picture.umbra() + moon, within(0.4));
        assertThat(distance(picture, 2)).isCloseTo(picture.umbra() - moon, within(0.4));
        assertThat(distance(picture, 4)).isCloseTo(picture.umbra() - moon, within(0.4));
        assertThat(distance(picture, 5)).isCloseTo(picture.umbra() + moon, within(0.4));
        assertThat(distance(picture, 0)).isCloseTo(picture.penumbra() + moon, within(0.4));
        assertThat(picture.moons().get(0).up()).isFalse();
        // up is the zenith: at its greatest the moon stands as far over and beside the axis as altitudes and azimuths
        // say
        Moment greatest = Moment.at(local.contact("max").when());
        Observer observer = Observer.at(new Site(37.6, -8.8, 5));
        Vector axis = greatest.local(Body.SUN, observer).unit().times(-1);
        Vector towards = greatest.localOfDate(geocentric(greatest.apparent(Body.MOON)), observer);
        Vector right = axis.cross(new Vector(0, 0, 1)).unit();
        Vector off = towards.unit().minus(axis);
        UmbraPicture.Disc max = picture.moons().get(3);
        assertThat(max.x()).isCloseTo(Math.toDegrees(off.dot(right)) * UmbraPicture.SCALE, within(0.5));
        assertThat(max.y()).isCloseTo(-Math.toDegrees(off.dot(right.cross(axis))) * UmbraPicture.SCALE, within(0.5));
    }

    private static Vector geocentric(Apparent a) {
        double ra = Math.toRadians(a.rightAscensionDeg());
        double dec = Math.toRadians(a.declinationDeg());
        return new Vector(Math.cos(dec) * Math.cos(ra), Math.cos(dec) * Math.sin(ra), Math.sin(dec));
    }

    private static double distance(UmbraPicture p, int contact) {
        return Math.hypot(p.moons().get(contact).x(), p.moons().get(contact).y());
    }

    /** The full moon of 18 June 2027 rises at 125°: behind a mark that stands there, and not behind one to the west. */
    @Test
    void full_moons_say_what_stands_where_they_rise() {
        List<Mark> marks = List.of(new Mark("Hut", 128, 310, 6, 9, 0), new Mark("Barn", 250, 310, 6, 9, 0));
        EventsView.FullMoonRow june = EventsView.of(coast(), marks, skies, JUNE).fullMoons().stream()
                .filter(f -> f.night().equals(LocalDate.parse("2027-06-18")))
                .findFirst()
                .orElseThrow();
        assertThat(june.stands()).isEqualTo("Hut");
        assertThat(june.towards()).startsWith("125\u00b0");
    }

    @Test
    void the_page_leads_to_a_plan() throws Exception {
        Place coast = coast();
        assertThat(Ask.ok(web, "/events?place=" + coast.id()))
                .contains(
                        "Events &lt;coast&gt;",
                        "The next that is seen from here",
                        "/outings/new?place=" + coast.id() + "&amp;night=2028-12-31");
        web.perform(get("/events?place=x")).andExpect(status().isNotFound()); // not another place
    }

    @ParameterizedTest
    @CsvSource({"90, 0, UTC", "-90, 0, UTC", "78.2, 15.6, Arctic/Longyearbyen", "0, 180, UTC"})
    void every_place_has_events(double latitude, double longitude, String zone) {
        Place far = made.place("Far away", latitude, longitude, 0, zone);
        assertThat(EventsView.of(far, List.of(), skies, JUNE).eclipses()).isNotEmpty();
        assertThat(EventsView.of(far, List.of(), skies, Instant.parse("2059-12-01T00:00:00Z")))
                .isNotNull();
    }

    /** At the strait the total one of 2 August 2027 and what comes after it, each with its own times and the warning. */
    @Test
    void eclipses_of_the_sun_are_those_of_the_place() throws Exception {
        Place strait = made.place("Strait", 36.0104, -5.6120, 140, "Europe/Madrid");
        EventsView view = EventsView.of(strait, List.of(), skies, JUNE);
        assertThat(view.suns().get(0).date()).isEqualTo("Mon 2 August 2027");
        assertThat(view.suns().get(0).type()).isEqualTo("total");
        assertThat(view.suns().get(0).times()).contains("C1 ", "C2 10:4", "maximum 10:4", "C3 10:4", "C4 ");
        EventsView coast = EventsView.of(coast(), List.of(), skies, JUNE);
        assertThat(coast.suns().get(0).type()).isEqualTo("partial");
        assertThat(coast.suns().get(0).inner()).isEmpty();
        assertThat(coast.suns())
                .noneMatch(s -> s.times().equals(view.suns().get(0).times()));
        assertThat(Ask.ok(web, "/events?place=" + strait.id())).contains("Never look at the sun through optics");
    }

    @Test
    void an_unknown_place_is_not_another() throws Exception {
        web.perform(get("/events?place=999999")).andExpect(status().isNotFound());
        web.perform(get("/events?place=x")).andExpect(status().isNotFound());
    }
}
