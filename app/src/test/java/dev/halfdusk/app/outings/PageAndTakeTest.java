package dev.halfdusk.app.outings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import dev.halfdusk.app.PageFields;
import dev.halfdusk.app.StoringTest;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.test.web.servlet.MvcResult;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** What the page of a subject shows is what the take made of it does, on workspace and sheet. */
class PageAndTakeTest extends StoringTest {

    private static final Pattern FIGURE = Pattern.compile("class=\"figure\">([^<]*)<");

    private long place;

    @BeforeEach
    void place() {
        place = made.coast("Coast").id();
    }

    private MvcResult answer(String path) throws Exception {
        MvcResult result = web.perform(get(path)).andReturn();
        assertThat(result.getResponse().getStatus()).as(path).isEqualTo(200);
        return result;
    }

    private static String text(MvcResult result) throws Exception {
        return result.getResponse().getContentAsString(StandardCharsets.UTF_8);
    }

    /** Follows the page's own button; the address of the outing. */
    private String kept(String page) throws Exception {
        Map<String, String> fields = PageFields.ofNew(page, "/outings");
        assertThat(fields).containsKeys("subject", "rig", "night");
        MockHttpServletRequestBuilder keep = post("/outings");
        fields.forEach(keep::param);
        MvcResult result = web.perform(keep).andReturn();
        assertThat(result.getResponse().getStatus()).as(text(result)).isEqualTo(302);
        return result.getResponse().getRedirectedUrl();
    }

    /** The workspace leads back to the page, which then shows the take as it was kept. */
    private void leadsBack(String outing, String page) throws Exception {
        String again = text(answer(link(outing)));
        assertThat(PageFields.ofNew(again, "/outings")).isEqualTo(PageFields.ofNew(page, "/outings"));
    }

    private String link(String outing) throws Exception {
        Matcher link =
                Pattern.compile("href=\"([^\"]*)\"[^>]*>[^<]*: its page<").matcher(text(answer(outing)));
        assertThat(link.find()).isTrue();
        return link.group(1).replace("&amp;", "&");
    }

    private static List<String> figures(String page) {
        List<String> found = new ArrayList<>();
        Matcher matcher = FIGURE.matcher(page);
        while (found.size() < 3 && matcher.find()) {
            found.add(matcher.group(1));
        }
        return found;
    }

    private static String field(Object view, String name) throws Exception {
        var accessor = view.getClass().getDeclaredMethod(name);
        accessor.setAccessible(true);
        return "" + accessor.invoke(view);
    }

    /** At 23:40 of a full moon, in the hand or in a wind, or brighter as one likes it: not at another minute, nor on a quiet tripod. */
    @ParameterizedTest
    @CsvSource({"0, 0, 0.2, 0", "0, 12, 0.2, 0", "0, 0, 0.5, 0", "0, 0, 0.2, 0.67", "0, 12, 0.2, -2"})
    void a_moon(int stabiliser, int wind, double haze, double brighter) throws Exception {
        MvcResult page =
                answer("/events/moon?place=" + place + "&rig=4&focal=400&aperture=8&night=2027-06-18&time=23:40"
                        + "&stabiliser=" + stabiliser + "&wind=" + wind + "&haze=" + haze + "&brighter=" + brighter);
        Object view = page.getModelAndView().getModel().get("view");
        String outing = kept(text(page));
        String workspace = text(answer(outing));
        assertThat(figures(workspace))
                .containsExactly(field(view, "seconds"), field(view, "aperture"), field(view, "iso"));
        leadsBack(outing, text(page));
        assertThat(text(answer(outing + "/sheet"))).contains("23:40:00").contains("on the moon: a crater");
    }

    /** The page proposes f/11 at ISO 100; so does the take, and so does one that is added without the page. */
    @Test
    void a_display() throws Exception {
        String page = text(answer("/events/fireworks?place=" + place + "&rig=1&night=2027-06-18"));
        Map<String, String> fields = PageFields.ofNew(page, "/outings");
        String outing = kept(page);
        List<String> set = figures(text(answer(outing)));
        assertThat(set.subList(1, 3)).containsExactly(fields.get("aperture"), fields.get("iso"));
        assertThat(set.get(1)).isEqualTo("11");
        leadsBack(outing, page);
        assertThat(text(answer(outing + "/sheet")))
                .contains("\u00d7 " + fields.get("shutterSeconds") + " s, f/11", "on something as far as the bursts");
        web.perform(post(outing + "/takes?subject=fireworks&name=Added&rig=1")).andReturn();
        long take =
                takes.of(Long.parseLong(outing.replaceAll("\\D", ""))).get(1).id();
        assertThat(figures(text(answer(outing + "?take=" + take))).get(1)).isEqualTo("11");
    }

    /** Fired from a front of several points, by another lens in its body. */
    @Test
    void a_display_of_several_points() throws Exception {
        String page = text(answer("/events/fireworks?place=" + place + "&rig=1&night=2027-06-18&distance=700&bearing=80"
                + "&distance2=690&bearing2=84&shell=100&iso=200&shutter=2.5&length=21&swap=24&flip=on&nights=3"));
        leadsBack(kept(page), page);
    }

    /** With numbers of its own. */
    @Test
    void an_eclipsed_moon() throws Exception {
        String page = text(answer("/events/eclipse?place=" + place + "&rig=4&focal=300&aperture=5.6&night=2029-06-25"
                + "&danjon=2&brighterStops=0.5&limbBrighterStops=-0.5&everySeconds=90&switchAt=0.8"));
        Map<String, String> fields = PageFields.ofNew(page, "/outings");
        assertThat(fields)
                .containsEntry("danjon", "2")
                .containsEntry("everySeconds", "90")
                .doesNotContainKey("at");
        String outing = kept(page);
        // the middle of totality, 04:22, as the page has it
        assertThat(text(answer(outing + "/sheet"))).contains("03:18:30").contains("\u00d7 0.3 s, f/5.6, ISO 25600");
        leadsBack(outing, page);
    }

    @ParameterizedTest
    @CsvSource({
        "view=bridge&iso=200&reading=ev&ev=2.5&frames=5&time=22:10, 5",
        "view=neon&iso=100&reading=camera&meterSeconds=20&meterAperture=8&meterIso=100&metering=shadows&exponent=1.3&frames=1, 1"
    })
    void a_night_scene(String asked, int frames) throws Exception {
        MvcResult page = answer("/events/night-scene?place=" + place
                + "&rig=1&focal=20&aperture=8&night=2027-06-18&azimuth=70&altitude=3" + "&" + asked);
        Object view = page.getModelAndView().getModel().get("view");
        String outing = kept(text(page));
        List<String> set = figures(text(answer(outing)));
        assertThat(set.get(1)).isEqualTo("8");
        if (frames == 1) {
            assertThat(set.get(0)).isEqualTo(field(view, "seconds"));
        }
        leadsBack(outing, text(page));
    }

    @Test
    void a_panorama() throws Exception {
        MvcResult page = answer("/frame/panorama?place=" + place
                + "&rig=1&focal=20&aperture=1.8&night=2027-06-04&overlap=40&click=10&margin=12&settle=7");
        Object view = page.getModelAndView().getModel().get("view");
        String outing = kept(text(page));
        String workspace = text(answer(outing));
        assertThat(figures(workspace)).containsExactly(field(view, "shutter"), "1.8", field(view, "iso"));
        assertThat(workspace).contains("frame 1 of " + field(view, "frames") + ":");
        leadsBack(outing, text(page));
        List<?> rows = (List<?>) page.getModelAndView()
                .getModel()
                .get("view")
                .getClass()
                .getMethod("list")
                .invoke(view);
        String sheet = text(answer(outing + "/sheet"));
        for (int i = 0; i < rows.size(); i++) {
            String azimuth = field(rows.get(i), "azimuth");
            String tilt = field(rows.get(i), "altitude");
            assertThat(sheet)
                    .contains("frame " + (i + 1) + " of " + rows.size() + ": " + azimuth + ", " + tilt + " up");
        }
    }

    @ParameterizedTest
    @CsvSource({
        "trails, want=arc&arc=25&exposure=45&pause=1.5&darks=3",
        "trails, want=frames&frames=77&exposure=20&pause=1&iso=400",
        "stack, want=frames&frames=31&exposure=6&pause=2&darks=8",
        "lapse, clip=6&fps=25&interval=14&exposure=10"
    })
    void a_sequence(String kind, String asked) throws Exception {
        MvcResult page = answer("/sequences?place=" + place
                + "&rig=1&focal=20&aperture=1.8&night=2027-06-04&time=23:50&kind=" + kind + "&" + asked);
        Object sequence = page.getModelAndView().getModel().get("sequence");
        var frames = sequence.getClass().getDeclaredMethod("sequence");
        frames.setAccessible(true);
        var q = (dev.halfdusk.core.optics.Sequence) frames.invoke(sequence);
        String outing = kept(text(page));
        String workspace = text(answer(outing));
        List<String> set = figures(workspace);
        assertThat(Double.parseDouble(set.get(0))).isEqualTo(q.exposureSeconds());
        assertThat(set.get(2)).isEqualTo(field(sequence, "iso"));
        assertThat(workspace).contains(q.frames() + " frames, pause");
        leadsBack(outing, text(page));
    }
}
