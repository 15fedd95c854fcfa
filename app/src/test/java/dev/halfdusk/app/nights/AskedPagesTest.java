package dev.halfdusk.app.nights;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.halfdusk.app.Ask;
import dev.halfdusk.app.PageFields;
import dev.halfdusk.app.StoringTest;
import dev.halfdusk.app.outings.Takes;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.night.Asked;
import dev.halfdusk.core.night.Dark;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.take.Meteors;
import dev.halfdusk.core.take.Wish;
import java.time.Duration;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.web.util.HtmlUtils;

/** What is asked of the sky, on every page that takes it, and in what is kept of it. */
class AskedPagesTest extends StoringTest {

    @Autowired
    private ObjectMapper json;

    private long coast;
    private long north;

    @BeforeEach
    void twoPlaces() {
        coast = made.coast("Coast").id();
        north = made.place("Church hill", 54.8, 12.1, 20, "Europe/Copenhagen").id();
    }

    private MockHttpServletResponse answer(String address) throws Exception {
        return web.perform(get(address)).andReturn().getResponse();
    }

    private String page(String address) throws Exception {
        MockHttpServletResponse response = answer(address);
        assertThat(response.getStatus()).as(address).isEqualTo(200);
        return HtmlUtils.htmlUnescape(response.getContentAsString());
    }

    @Test
    void a_night_shows_what_is_asked_for_and_what_else_there_is() throws Exception {
        String page = page("/nights/2027-06-08?place=" + coast + "&sight=cygnus&least=20");
        assertThat(page)
                .contains("moonless sky with Cygnus above 20\u00b0", "Cygnus in its window")
                .contains("Cygnus in the dark, no moon")
                .contains("/nights/2027-06-09?place=" + coast + "&sight=cygnus&least=20")
                .contains("/outings/new?place=" + coast + "&night=2027-06-08&sight=cygnus&least=20", ">Core</a>");
        assertThat(page("/nights/2027-06-08?place=" + coast)).contains("with the core above 10\u00b0");
    }

    /** January, and July at 55° north: what is up is said, not only that the core is not. */
    @Test
    void a_night_without_core_says_what_is_up() throws Exception {
        assertThat(page("/nights/2028-01-27?place=" + coast))
                .contains("Up instead: ", "winter Milky Way", "% brighter than its sky");
        String july = page("/nights/2027-07-02?place=" + north);
        assertThat(july)
                .contains("It never gets fully dark: the sun goes no lower than \u221212.2\u00b0, at 01:16.")
                .containsPattern("At its darkest, 19\\.\\d mag/arcsec\u00b2: .*the core \\d\u00b0 high at 01:16")
                .containsPattern("Cygnus 6\\d\u00b0 high at 01:16, \\d+ % brighter than its sky");
        assertThat(page("/nights/2027-07-02?place=" + north + "&dark=12&sight=cygnus"))
                .contains("of dark enough, moonless sky with Cygnus");
        assertThat(page("/nights/2027-07-02?place=" + north + "&dark=15"))
                .contains("It never gets as dark as asked, the sun 15\u00b0 below the horizon:");
        assertThat(page("/")).contains("to see in it");
    }

    @ParameterizedTest
    @CsvSource({
        "least=95, 95 is outside what is allowed: 0 to 89\u00b0.",
        "sight=other&named=Krypton, Enter a bright star (Vega)",
        "sight=nonsense, Choose one of the list.",
        "dark=depth&depth=3, 3 is outside what is allowed: 6 to 30\u00b0.",
        "dark=bright, Choose one of the list.",
        "dark=sky&sky=25, 25 is outside what is allowed: 16 to 21.9 mag/arcsec\u00b2."
    })
    void what_cannot_be_asked_is_answered_beside_its_field(String query, String answer) throws Exception {
        for (String path : new String[] {"/nights/2027-06-08?place=" + coast, "/nights?place=" + coast}) {
            MockHttpServletResponse refused = answer(path + "&" + query);
            assertThat(refused.getStatus()).isEqualTo(422);
            assertThat(HtmlUtils.htmlUnescape(refused.getContentAsString())).contains(answer);
            String typed = query.replaceFirst(".*=", "");
            assertThat(refused.getContentAsString())
                    .contains("value=\"" + (typed.matches("nonsense|bright") ? "" : typed));
        }
    }

    /** A town's sky is never as dark as a country's, and says how dark it is. */
    @Test
    void a_sky_that_is_never_so_dark_says_how_dark_it_is() throws Exception {
        Place plain = places.find(coast).orElseThrow();
        long town = places.add(new Place(
                        null,
                        "Town",
                        plain.site(),
                        plain.zone(),
                        OptionalDouble.of(19),
                        plain.skyline(),
                        false,
                        plain.domes(),
                        plain.notes()))
                .id();
        MockHttpServletResponse refused = answer("/nights/2027-06-08?place=" + town + "&dark=sky&sky=20.5");
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains("Its darkest is 19.00 mag/arcsec\u00b2");
        assertThat(page("/nights/2027-06-08?place=" + town + "&dark=sky&sky=18.5"))
                .contains("dark enough");
    }

    @Test
    void a_year_is_woven_of_the_sight() throws Exception {
        String year = page("/nights?place=" + coast + "&from=2027-06-01&sight=winter&dark=12");
        assertThat(year)
                .contains("Best for the winter Milky Way", "The season of the winter Milky Way begins here on")
                .contains("the warm light is the winter Milky Way", "sight=winter&dark=12");
        assertThat(page("/nights?place=" + coast + "&from=2027-06-01&sight=carina&least=3"))
                .contains("The season of Carina and the Cross never comes here", "above 3\u00b0 for an hour");
        String core = page("/nights/table?place=" + coast + "&from=2027-06-01");
        String table = page("/nights/table?place=" + coast + "&from=2027-06-01&sight=winter&dark=12");
        assertThat(core).contains("core in it");
        assertThat(table).contains("winter Milky Way in it", "2028-01-20?place=" + coast + "&sight=winter&dark=12");
        byte[] usual =
                answer("/nights/carpet.png?place=" + coast + "&from=2027-06-01").getContentAsByteArray();
        byte[] winter = answer("/nights/carpet.png?place=" + coast + "&from=2027-06-01&sight=winter")
                .getContentAsByteArray();
        assertThat(winter).isNotEqualTo(usual);
    }

    private String found(String address) throws Exception {
        long until = System.nanoTime() + Duration.ofSeconds(60).toNanos();
        String found = page(address);
        while (found.contains("<progress") && System.nanoTime() < until) {
            found = page(address);
        }
        return found;
    }

    /** At 55° north no night of June is dark; as dark as they get Cygnus stands high in them. */
    @Test
    void nights_are_searched_for_any_sight_by_any_darkness() throws Exception {
        String june = "/nights/best?place=" + north + "&from=2027-06-10&years=1&month=june&hours=1&wanted=sight";
        assertThat(found(june + "&sight=cygnus")).contains("No night fulfils all of this.");
        assertThat(found(june + "&sight=cygnus&dark=deepest")).contains("Cygnus up to ", "&sight=cygnus&dark=deepest");
        assertThat(found(june + "&sight=core&dark=deepest")).contains("No night fulfils all of this.");
        assertThat(found(june + "&sight=core&dark=deepest&altitude=3")).contains("core up to ");
        String winter = "/nights/best?place=" + coast + "&from=2027-11-01&years=1&month=december&hours=4&wanted=sight";
        assertThat(found(winter + "&sight=winter&dark=sky&sky=21.5"))
                .contains("winter Milky Way up to ", "&sight=winter&dark=sky&sky=21.5");
        assertThat(found(winter + "&sight=other&named=Capella")).contains("Capella up to ", "natural");
        // as it was asked when the core was all there was
        assertThat(found("/nights/best?place=" + coast + "&wanted=core&from=2027-06-01"))
                .contains("core up to ");
        assertThat(answer(winter + "&sight=other&named=Krypton").getStatus()).isEqualTo(422);
    }

    private static MockHttpServletRequestBuilder sent(String path, Map<String, String> fields) {
        MockHttpServletRequestBuilder request = post(path);
        fields.forEach(request::param);
        return request;
    }

    /** From the form of a new outing into its take, from there into its file, and through its panel. */
    @Test
    void an_outing_comes_for_what_was_asked() throws Exception {
        String blank = answer("/outings/new?place=" + coast + "&night=2027-12-02&sight=winter&dark=12&least=25")
                .getContentAsString();
        assertThat(blank).contains("The winter Milky Way is up in a sky that is dark");
        Map<String, String> fields = PageFields.ofNew(blank, "/outings");
        fields.put("like", "proposed");
        String made = Ask.to(web, sent("/outings", fields));
        long outing = Long.parseLong(made.replaceAll("\\D", ""));
        Takes.Stored take = takes.of(outing).get(0);
        Asked asked = new Asked(Sight.WINTER, Dark.sun(12), 25);
        assertThat(take.take().wish()).isEqualTo(Wish.highest(asked));
        assertThat(page(made)).contains("Winter Milky Way over Coast").contains("value=\"winter\" selected");
        JsonNode file =
                json.readTree(answer("/outings/" + outing + "/outing.json").getContentAsString());
        JsonNode wish = file.at("/takes/0/wish");
        assertThat(wish.path("sight").asText()).isEqualTo("winter");
        assertThat(wish.path("darkness").asText()).isEqualTo("12");
        assertThat(wish.path("leastAltitude").asDouble()).isEqualTo(25);

        Map<String, String> panel = PageFields.of(page(made), "/outings/" + outing + "/takes/" + take.id());
        assertThat(panel)
                .containsEntry("sight", "winter")
                .containsEntry("dark", "12")
                .containsEntry("least", "25");
        panel.put("sight", "other");
        panel.put("named", "Krypton");
        MockHttpServletResponse refused = web.perform(sent("/outings/" + outing + "/takes/" + take.id(), panel))
                .andReturn()
                .getResponse();
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains("Enter a bright star").contains("value=\"Krypton\"");
        panel.put("named", "Capella");
        panel.put("dark", "depth");
        panel.put("depth", "13.5");
        web.perform(sent("/outings/" + outing + "/takes/" + take.id(), panel));
        assertThat(takes.of(outing).get(0).take().wish().asked())
                .isEqualTo(new Asked(Sight.of("Capella").orElseThrow(), Dark.sun(13.5), 25));
    }

    /** "As usual for it" is when; what it comes for was chosen beside it. */
    @Test
    void a_take_that_is_added_comes_for_what_was_chosen() throws Exception {
        String made = Ask.to(web, post("/outings?place=" + coast + "&night=2027-08-02"));
        long outing = Long.parseLong(made.replaceAll("\\D", ""));
        String rig = PageFields.ofNew(page(made), made + "/takes").get("rig");
        web.perform(post(made + "/takes")
                .param("subject", "milky-way")
                .param("rig", rig == null || rig.isEmpty() ? "1" : rig)
                .param("wish", "")
                .param("sight", "cygnus"));
        assertThat(takes.of(outing).get(0).take().wish()).isEqualTo(Wish.highest(Asked.of(Sight.CYGNUS)));
    }

    /** Beyond the circle the sun may stay too high for any star. */
    @Test
    void a_night_too_bright_for_stars_says_so_however_it_is_asked() throws Exception {
        long far = made.place("Far", 65, 12.1, 20, "Europe/Oslo").id();
        assertThat(page("/nights/2027-06-21?place=" + far + "&dark=deepest&sight=cygnus"))
                .contains("It never gets fully dark: the sun goes no lower than", "Too bright for stars.");
    }

    /** What comes for the Pleiades is aimed at them on its own page too, which else looks at the core. */
    @Test
    void a_take_of_another_sight_leads_to_its_page_aimed_at_it() throws Exception {
        Map<String, String> fields = PageFields.ofNew(
                answer("/outings/new?place=" + coast + "&night=2027-12-02&sight=pleiades")
                        .getContentAsString(),
                "/outings");
        fields.put("like", "proposed");
        String made = Ask.to(web, sent("/outings", fields));
        long outing = Long.parseLong(made.replaceAll("\\D", ""));
        Takes.Stored take = takes.of(outing).get(0);
        assertThat(take.take().name()).isEqualTo("Pleiades");
        Matcher link = Pattern.compile("href=\"(/sequences[?][^\"]*)\"")
                .matcher(page(made + "?take=" + take.id()).replace("&amp;", "&"));
        assertThat(link.find()).isTrue();
        assertThat(link.group(1)).contains("aim=point");
        Matcher altitude = Pattern.compile("altitude=([0-9.]+)").matcher(link.group(1));
        assertThat(altitude.find()).isTrue();
        assertThat(Double.parseDouble(altitude.group(1))).isBetween(60.0, 78.0); // 24° north over 37.6°
    }

    /** A mark of the same name at another place: what stands over it is still what was asked for. */
    @Test
    void a_wish_over_a_mark_keeps_its_sight_at_another_place() {
        places.addMark(north, new Mark("Tower", 135, 20, 38, 8, 0));
        Asked asked = Asked.of(Sight.CYGNUS).asDarkAs(Dark.DEEPEST);
        Wish wish = Wish.over(Wish.Kind.SIGHT_OVER_MARK, Named.of("Tower")).asking(asked);
        Wish there = places.at(north, wish);
        assertThat(there.asked()).isEqualTo(asked);
        assertThat(there.mark().orElseThrow().id())
                .isNotEqualTo(wish.mark().orElseThrow().id());
    }

    @Test
    void the_frame_and_the_mark_know_every_sight() throws Exception {
        String frame = page("/frame?place=" + coast + "&night=2027-08-02&minute=700&put=cygnus");
        String other = page("/frame?place=" + coast + "&night=2027-08-02&minute=700&put=core");
        assertThat(PageFields.ofNew(frame, "/frame").get("altitude"))
                .isNotEqualTo(PageFields.ofNew(other, "/frame").get("altitude"));
        assertThat(frame).contains("name=\"put\" value=\"andromeda\"");
    }

    /** The full moon of 13 December takes most of the Geminids; those of August it leaves alone. */
    @Test
    void showers_are_events_and_can_be_planned() throws Exception {
        String events = page("/events?place=" + coast);
        assertThat(events)
                .contains("Showers of meteors, a year")
                .containsPattern(
                        "(?s)>Perseids</th>.*?/nights/2027-08-1[23]\\?place=" + coast + "&sight=other&named=Perseids");
        String night = page("/nights/2027-08-12?place=" + coast);
        assertThat(night)
                .containsPattern(
                        "Perseids: up to \\d+ meteors an hour, at 0\\d:\\d\\d with the radiant \\d\\d\u00b0 high");
        assertThat(page("/nights/2027-03-01?place=" + coast)).doesNotContain("meteors an hour");
        String query = "&sight=other&named=Perseids";
        Map<String, String> fields = PageFields.ofNew(
                answer("/outings/new?place=" + coast + "&night=2027-08-12" + query)
                        .getContentAsString(),
                "/outings");
        fields.put("like", "proposed");
        String made = Ask.to(web, sent("/outings", fields));
        long outing = Long.parseLong(made.replaceAll("\\D", ""));
        assertThat(takes.of(outing).get(0).take().subject()).isInstanceOf(Meteors.class);
        assertThat(page(made)).contains("Perseids over Coast").contains("Bright meteors in this frame, perhaps");
        assertThat(page(made + "/sheet")).contains("Perseids: ");
    }

    @Test
    void the_api_answers_for_any_sight() throws Exception {
        String night = "/api/night?latitudeDeg=54.8&longitudeDeg=12.1&date=2027-07-02&zone=Europe/Copenhagen";
        JsonNode cygnus =
                json.readTree(page(night + "&sight=cygnus&deepest=true")).path("sight");
        assertThat(cygnus.path("key").asText()).isEqualTo("cygnus");
        assertThat(cygnus.path("inTheDark")).hasSize(1);
        assertThat(cygnus.at("/best/airlessAltitudeDeg").asDouble()).isBetween(60.0, 72.0);
        assertThat(json.readTree(page(night + "&sight=cygnus")).at("/sight/inTheDark"))
                .isEmpty();
        MockHttpServletResponse refused = answer(night + "&sight=krypton");
        assertThat(refused.getStatus()).isEqualTo(400);
        assertThat(refused.getContentType()).startsWith("application/problem+json");
        JsonNode found = json.readTree(page("/api/nights/search?latitudeDeg=37.6&longitudeDeg=-8.8&from=2027-12-01"
                + "&to=2027-12-31&sight=winter&hours=5"));
        assertThat(found.size()).isBetween(5, 25);
        assertThat(found.at("/0/reasons/1").asText()).startsWith("winter Milky Way up to ");
    }
}
