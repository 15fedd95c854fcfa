package dev.halfdusk.app.events;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import dev.halfdusk.app.Ask;
import dev.halfdusk.app.Made;
import dev.halfdusk.app.PageTest;
import dev.halfdusk.app.outings.Takes;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.core.fireworks.Show;
import dev.halfdusk.core.fireworks.Trainer;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Silhouette;
import dev.halfdusk.core.take.Fireworks;
import dev.halfdusk.core.take.Take;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.net.URI;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** The page of a display, its photograph and its trainer. */
@PageTest
record FireworksPagesTest(MockMvc web, Places places, Takes takes, Made made) {

    private long place() {
        return made.coast("Mole <east>").id();
    }

    private MockHttpServletResponse ask(String query) throws Exception {
        return web.perform(get("/events/fireworks?" + query)).andReturn().getResponse();
    }

    private String page(String query) throws Exception {
        MockHttpServletResponse answer = ask("place=" + place() + "&" + query);
        assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(200);
        return answer.getContentAsString();
    }

    /** A mark from which shells are fired is where the display is. */
    @Test
    void it_begins_with_the_firing_point_of_the_place() throws Exception {
        long id = place();
        places.addMark(id, new Mark("Firing squad's wall", 10, 90, 2, 14, 0, Silhouette.BLOCK)); // a name says nothing
        places.addMark(id, new Mark("Pontoon", 248, 640, 2, 14, -3, Silhouette.FIRING));
        places.addMark(id, new Mark("Quay", 260, 700, 2, 14, -3, Silhouette.FIRING));
        String page = ask("place=" + id).getContentAsString();
        assertThat(page)
                .contains("Fireworks from <span>Mole &lt;east&gt;", "firing point 640 m off towards 248\u00b0 WSW")
                .contains("the usual clear distance for 150 mm is 126 m", "Longest lens that holds all:")
                .contains("organiser's cordon and local rules decide", "A launch is heard 1.9 s after it is seen")
                .containsPattern("name=\"height\"[^>]*value=\"-3\"")
                .containsPattern("name=\"distance2\"[^>]*value=\"700\"")
                .containsPattern("name=\"bearing2\"[^>]*value=\"260\"")
                .containsPattern("name=\"distance3\"[^>]*value=\"\"");
    }

    /** From 600 m a front of 90° is as wide as 848 m across; six points are as many as one may name. */
    @Test
    void up_to_six_points_are_one_front() throws Exception {
        String three =
                page("distance=600&bearing=45&distance2=600&bearing2=135&distance3=600&bearing3=90&focal=20&rig=1");
        assertThat(three).contains("the sides cut by").containsPattern("name=\"frontM\" value=\"849(\\.0)?\"");
        assertThat(page("distance=600&bearing=45&distance6=650&bearing6=50"))
                .containsPattern("name=\"frontM\" value=\"5[0-9]");
    }

    /** Points wider apart than any front are no failure. */
    @Test
    void the_farthest_points_are_borne() throws Exception {
        assertThat(page("distance=20000&bearing=10&distance2=20000&bearing2=120"))
                .contains("name=\"frontM\" value=\"2000");
        assertThat(web.perform(
                                get(
                                        "/frame/photograph.jpg?distance=20000&bearing=10&front=2000&azimuth=10&altitude=5&aim=point"))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(200);
        for (String bad :
                new String[] {"distance=5", "distance=600&front=9000", "distance=600&shell=1", "distance=x"}) {
            assertThat(web.perform(get("/frame?" + bad))
                            .andReturn()
                            .getResponse()
                            .getStatus())
                    .as(bad)
                    .isEqualTo(422);
        }
    }

    /** A display that was brought along is not lost when another field is wrong. */
    @Test
    void a_refused_frame_keeps_its_display() throws Exception {
        assertThat(Ask.refused(web, "/frame?distance=600&bearing=90&shutter=x"))
                .contains("name=\"distance\" value=\"600\"", "name=\"bearing\" value=\"90\"");
    }

    /** At night a skyline of EV 1 in f/11 and 4 s: 3.9 stops below grey. */
    @Test
    void the_skyline_is_judged_by_its_light() throws Exception {
        assertThat(page("distance=600&bearing=90&night=2027-06-08&time=01:00&rig=1&focal=20&aperture=11"))
                .contains("A town&#39;s skyline, EV 1 then, comes out 3.9 stops below middle grey");
        assertThat(page("distance=600&bearing=90&night=2027-06-08&time=21:20&rig=1&focal=20&aperture=11"))
                .contains("EV 3 then, comes out 1.9 stops below");
    }

    /** The body has its own lens and its own side up, and says whether they hold it. */
    @Test
    void the_body_is_turned_and_has_another_lens() throws Exception {
        String plain = page("distance=600&bearing=90&focal=20&rig=1");
        assertThat(plain).doesNotContain("For the body").doesNotContain("turn upright; ");
        String changed = page("distance=600&bearing=90&focal=20&rig=1&swap=85&flip=on&upright=on");
        assertThat(changed)
                .contains("For the body, 85 mm across: the top cut by", "the lens of 85 mm, focus; turn across; ");
        assertThat(page("distance=600&bearing=90&focal=20&rig=1&flip=on")).contains("For the body, 20 mm upright: yes");
    }

    @ParameterizedTest
    @CsvSource({"125, true", "126, false", "640, false"})
    void the_caution_appears_inside_the_clear_distance(int distance, boolean near) throws Exception {
        String page = page("distance=" + distance + "&bearing=90&shell=150");
        assertThat(page.contains("You would stand inside the usual clear distance"))
                .isEqualTo(near);
        assertThat(page).contains("126 m");
    }

    @Test
    void far_away_one_opens_on_the_flash() throws Exception {
        assertThat(page("distance=2000&bearing=90")).contains("Open on the flash, not on the boom");
        assertThat(page("distance=300&bearing=90")).contains("The boom still serves");
    }

    @Test
    void smoke_goes_with_the_wind_that_is_typed() throws Exception {
        assertThat(page("distance=600&bearing=270&wind=4&windFrom=180")).contains("Smoke drifts to the right");
        assertThat(page("distance=600&bearing=270&wind=4&windFrom=270")).contains("Smoke drifts towards you");
        assertThat(page("distance=600&bearing=270&wind=0.2&windFrom=180")).contains("Smoke hangs where it is");
    }

    @Test
    void a_second_point_must_fit_as_well() throws Exception {
        String one = page("distance=600&bearing=90&focal=20&rig=1");
        String two = page("distance=600&bearing=90&distance2=600&bearing2=170&focal=20&rig=1");
        assertThat(two).contains("cut by");
        assertThat(two).isNotEqualTo(one);
    }

    /** Beside the field, with what is allowed, and what was typed stays. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "distance | 0 | 0 is outside what is allowed: 20 to 20000 m",
                "shell | 5000 | 5000 is outside what is allowed: 15 to 400 mm",
                "celsius | -300 | -300 is outside what is allowed",
                "shutter | 0 | 0 is outside what is allowed: 0.5 to 60 s",
                "bearing | 400 | 400 is outside what is allowed",
                "tripod | 9 | 9 is outside what is allowed: 0.1 to 5 m",
                "length | 500 | 500 is outside what is allowed: 1 to 120 min",
                "iso | 5 | 5 is outside what is allowed",
                "show | circus | Choose one of the list",
                "distance2 | 300 | Enter the",
                "bearing6 | 20 | Enter the",
                "swap | 1 | 1 is outside what is allowed: 2 to 2000 mm",
                "nights | 31 | 31 is outside what is allowed: 1 to 30"
            })
    void bad_input_is_answered_beside_its_field(String field, String typed, String said) throws Exception {
        MockHttpServletResponse refused = ask("place=" + place() + (field.equals("distance") ? "" : "&distance=600")
                + (field.equals("bearing") ? "" : "&bearing=90") + "&" + field + "=" + typed);
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains(said);
        if (!field.equals("show")) {
            assertThat(refused.getContentAsString()).contains("value=\"" + typed + "\"");
        }
    }

    @Test
    void the_photograph_is_a_picture_and_refuses_what_the_page_refuses() throws Exception {
        MockHttpServletResponse shot = web.perform(
                        get("/events/fireworks/photograph.jpg?distance=600&bearing=90&place=" + place()))
                .andReturn()
                .getResponse();
        assertThat(ImageIO.read(new ByteArrayInputStream(shot.getContentAsByteArray()))
                        .getWidth())
                .isEqualTo(780);
        assertThat(web.perform(get("/events/fireworks/photograph.jpg?distance=0&bearing=90&place=" + place()))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(422);
    }

    private String score(String presses) throws Exception {
        MockHttpServletResponse answer = web.perform(post("/events/fireworks/score")
                        .param("show", "town")
                        .param("seed", "20")
                        .param("presses", presses))
                .andReturn()
                .getResponse();
        assertThat(answer.getStatus()).isEqualTo(200);
        return answer.getContentAsString();
    }

    @Test
    void a_round_is_scored() throws Exception {
        Trainer round = Trainer.of(Show.TOWN, 8, 20);
        String perfect = round.launches().stream()
                .map(l -> String.format(Locale.ROOT, "%.3f,%.3f", l.fires(), l.fades()))
                .collect(Collectors.joining(";"));
        long whole =
                round
                        .score(round.launches().stream()
                                .map(l -> new Trainer.Press(l.fires(), l.fades()))
                                .toList())
                        .stream()
                        .filter(s -> s.verdict() == Trainer.Verdict.WHOLE)
                        .count();
        assertThat(whole).isGreaterThan(4);
        assertThat(score(perfect)).contains("last round: " + whole + " of 8 whole");
        Trainer.Launch first = round.launches().get(0);
        assertThat(score(String.format(Locale.ROOT, "%.3f,%.3f", first.breaks(), first.fades())))
                .contains("opened late: the climb is missing");
    }

    /** The frame of a press: dark where nothing burnt in it, bright where a burst did. */
    @Test
    void the_frame_of_a_press_is_a_photograph() throws Exception {
        Trainer round = Trainer.of(Show.TOWN, 8, 20);
        Trainer.Launch first = round.launches().get(0);
        long id = place();
        String scored = web.perform(post("/events/fireworks/score")
                        .param("place", "" + id)
                        .param("distance", "300")
                        .param("bearing", "90")
                        .param("show", "town")
                        .param("seed", "20")
                        .param("presses", String.format(Locale.ROOT, "%.3f,%.3f", first.fires(), first.fades())))
                .andReturn()
                .getResponse()
                .getContentAsString();
        Matcher address =
                Pattern.compile("src=\"(/events/fireworks/taken.jpg[^\"]*)").matcher(scored);
        assertThat(address.find()).isTrue();
        String burst = address.group(1).replace("&amp;", "&");
        assertThat(burst).contains("distance=300").contains("seed=20").contains("opens=");
        String before = burst.replaceAll("opens=[^&]*&closes=.*", "opens=0.1&closes=1.5");
        assertThat(brightest(burst)).isGreaterThan(200);
        assertThat(brightest(before)).isLessThan(120);
        assertThat(address.find()).as("only what was taken has a frame").isFalse();
        assertThat(web.perform(get(burst.replaceAll("closes=.*", "closes=x")))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(422);
    }

    private int brightest(String address) throws Exception {
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(Ask.bytes(web, get(URI.create(address)))));
        int brightest = 0;
        for (int y = 0; y < image.getHeight() / 2; y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                brightest = Math.max(brightest, image.getRGB(x, y) >> 8 & 0xff);
            }
        }
        return brightest;
    }

    @ParameterizedTest
    @ValueSource(strings = {"", ";;;", "a,b", "5,1", "1e99,2e99", "-3,4", "<b>,1"})
    void presses_that_are_none_are_no_harm(String presses) throws Exception {
        assertThat(score(presses)).contains("0 of 8 whole", "not taken").doesNotContain("<b>");
    }

    @Test
    void a_display_becomes_a_take() throws Exception {
        String asked = page(
                "night=2027-08-14&time=22:30&rig=1&focal=20&aperture=11&upright=on&distance=640&bearing=248&distance2=640&bearing2=253.4"
                        + "&height=-3&shell=200&swap=35&flip=on&nights=3&length=20&shutter=3&iso=200");
        Matcher fields = Pattern.compile("<input type=\"hidden\" name=\"([^\"]*)\" value=\"([^\"]*)\"")
                .matcher(asked.substring(asked.indexOf("action=\"/outings\"")));
        MockHttpServletRequestBuilder make = post("/outings");
        while (fields.find()) {
            make.param(fields.group(1), fields.group(2).replace("&lt;", "<").replace("&gt;", ">"));
        }
        MockHttpServletResponse made = web.perform(make).andReturn().getResponse();
        assertThat(made.getStatus()).isEqualTo(302);
        long outing = Long.parseLong(made.getRedirectedUrl().replaceAll("\\D+", ""));
        Take take = takes.of(outing).get(0).take();
        Fireworks stored = (Fireworks) take.subject();
        assertThat(stored).isEqualTo(new Fireworks(20, 3, 200, 90, stored.seen(), new Fireworks.Changes(35, true, 3)));
        // two points 5.4° apart on a circle of 640 m: their middle is 640 m × cos 2.7° off, and 2 × 640 m × sin 2.7° =
        // 60.3 m lie between
        assertThat(stored.seen().distanceM()).isCloseTo(639.29, within(0.01));
        assertThat(stored.seen().bearingDeg()).isCloseTo(250.7, within(0.1));
        assertThat(stored.seen().heightM()).isEqualTo(-3);
        assertThat(stored.seen().shellMm()).isEqualTo(200);
        assertThat(stored.seen().frontM()).isEqualTo(60);
        String sheet = Ask.ok(web, "/outings/" + outing + "/sheet");
        assertThat(sheet)
                .contains("22:30", "Never go to a shell that did not burst")
                .contains("The usual clear distance is 168 m for shells of 200 mm")
                .contains("Fireworks: be there, hold your spot", "Fireworks: change to the lens of 35 mm, focus, lock")
                .contains("Fireworks: turn the camera across, skyline in, level")
                .contains("Fireworks: It is given on 3 nights: bursts on one of them, people against the light")
                .contains("ear plugs");
        String outingPage = Ask.ok(web, "/outings/" + outing);
        Matcher shot = Pattern.compile("src=\"(/frame/photograph.jpg[^\"]*)").matcher(outingPage);
        assertThat(shot.find()).isTrue();
        String address = shot.group(1).replace("&amp;", "&");
        assertThat(address)
                .containsPattern("distance=639\\.3")
                .containsPattern("bearing=250\\.[67]")
                .contains("shell=200")
                .containsPattern("front=60(\\.0)?(&|$)");
        assertThat(brightest(address)).isGreaterThan(200); // bursts over a dark sea
        assertThat(brightest(address.replaceAll("&distance=[^&]*", ""))).isLessThan(200);
    }
}
