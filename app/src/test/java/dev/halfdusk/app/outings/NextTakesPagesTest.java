package dev.halfdusk.app.outings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import dev.halfdusk.app.Ask;
import dev.halfdusk.app.Made;
import dev.halfdusk.app.PageTest;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedGear;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.take.Take;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.net.URI;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.web.util.HtmlUtils;

/** The wall of subjects: each with a picture that can be had, and planned with one click. */
@PageTest
record NextTakesPagesTest(MockMvc web, Takes takes, Kit kit, Made made) {

    private static final Pattern CARD = Pattern.compile("(?s)<li class=\"min-w-0\">(.*?)</li>");
    private static final Pattern FIELD = Pattern.compile("<input type=\"hidden\" name=\"([^\"]*)\" value=\"([^\"]*)\"");
    private static final Pattern PICTURE = Pattern.compile("src=\"(/[^\"]*)\"");
    private static final Pattern NAME = Pattern.compile("<h3[^>]*>([^<]*)<");

    private String page(String address) throws Exception {
        MockHttpServletResponse response = web.perform(get(address)).andReturn().getResponse();
        assertThat(response.getStatus()).isEqualTo(200);
        return response.getContentAsString();
    }

    private static String found(Pattern pattern, String in) {
        Matcher m = pattern.matcher(in);
        assertThat(m.find()).isTrue();
        return HtmlUtils.htmlUnescape(m.group(1));
    }

    /** As soon as it is there; until then the page says so, and asks again for itself. */
    private String wall(long place) throws Exception {
        String page = page("/events/next?place=" + place);
        while (page.contains("<progress")) {
            assertThat(page)
                    .contains("hx-get=\"/events/next?place=" + place + "\"")
                    .doesNotContain("<h3");
            page = page("/events/next?place=" + place);
        }
        return page;
    }

    private List<String> cards(long place) throws Exception {
        List<String> cards = new ArrayList<>();
        Matcher m = CARD.matcher(wall(place));
        while (m.find()) {
            cards.add(m.group(1));
        }
        return cards;
    }

    @Test
    void every_subject_has_its_picture_and_becomes_an_outing() throws Exception {
        Place place = made.coast("Coast");
        List<String> cards = cards(place.id());
        assertThat(cards).hasSizeGreaterThan(7);
        for (String card : cards) {
            String name = found(NAME, card);
            MockHttpServletResponse picture = web.perform(get(java.net.URI.create(found(PICTURE, card))))
                    .andReturn()
                    .getResponse();
            assertThat(picture.getStatus()).as(name).isEqualTo(200);
            assertThat(picture.getContentType()).isEqualTo("image/jpeg");
            MockHttpServletRequestBuilder plan = post("/outings");
            Matcher fields = FIELD.matcher(card);
            while (fields.find()) {
                plan.param(fields.group(1), HtmlUtils.htmlUnescape(fields.group(2)));
            }
            String made = Ask.to(web, plan);
            assertThat(made).as(name).matches("/outings/\\d+");
            List<Takes.Stored> stored = takes.of(Long.parseLong(made.substring("/outings/".length())));
            assertThat(stored).hasSize(1);
            Take take = stored.get(0).take();
            assertThat(take.name()).isEqualTo(name);
            assertThat(page(made)).contains(name + " at Coast").doesNotContain("has no place");
        }
    }

    /** The page of events asks for it when it is there. */
    @Test
    void events_open_on_it() throws Exception {
        Place place = made.coast("Coast");
        assertThat(page("/events?place=" + place.id())).contains("hx-get=\"/events/next?place=" + place.id());
        assertThat(page("/events/next?place=99999")).contains("What could I take next?");
    }

    /** By its own day, though its night is that of the evening before; through the filter, with the sun in the middle. */
    @Test
    void an_eclipse_of_the_sun_is_named_by_its_day() throws Exception {
        Place place = made.coast("Coast");
        NamedRig longest = kit.rigs().stream()
                .max(Comparator.comparing(r -> r.lens().lens().longestMm()))
                .orElseThrow();
        NamedGear filter = kit.gear().stream()
                .filter(g -> g.gear() instanceof Gear.Filter f && f.stops() > 16)
                .findFirst()
                .orElseThrow();
        kit.save(new NamedRig(null, "Sun", longest.body(), longest.lens(), List.of(filter)));
        String card = cards(place.id()).stream()
                .filter(c -> c.contains("Eclipse of the sun"))
                .findFirst()
                .orElseThrow();
        assertThat(card).contains("Mon 2 Aug", "09:4", "night=2027-08-01", "% of the sun covered", "/frame/close.jpg");
        Matcher address = Pattern.compile("/frame/close.jpg[^\"]+").matcher(card);
        assertThat(address.find()).isTrue();
        byte[] file = Ask.bytes(web, get(URI.create(HtmlUtils.htmlUnescape(address.group()))));
        BufferedImage picture = ImageIO.read(new ByteArrayInputStream(file));
        double sum = 0;
        double across = 0;
        for (int x = 0; x < picture.getWidth(); x++) {
            for (int y = 0; y < picture.getHeight(); y++) {
                int light = picture.getRGB(x, y) & 0xff;
                sum += light;
                across += light * (double) x;
            }
        }
        // a sickle to one side of a disc that is 148 pixels wide
        assertThat(picture.getWidth()).isEqualTo(390);
        assertThat(across / sum).isBetween(195.0 - 80, 195.0 + 80);
        assertThat(sum).isGreaterThan(255 * 100);
    }

    /** Under a midnight sun there is no night to wait for, and the page stands all the same. */
    @Test
    void a_place_without_night_has_what_there_is() throws Exception {
        Place pole = made.place("Far north", 80, 15, 5, "Europe/Oslo");
        assertThat(cards(pole.id())).noneMatch(c -> c.contains("Milky Way"));
    }
}
