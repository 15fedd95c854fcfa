package dev.halfdusk.app.outings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.halfdusk.app.PageTest;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedGear;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.setup.SetupRequest;
import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.Sharp;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.take.MilkyWay;
import dev.halfdusk.core.take.Take;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.MvcResult;

/** One question, asked in four places, has one answer: everything a rig carries counts everywhere. */
@PageTest
record OneSetupTest(MockMvc web, Kit kit, Places places, Outings outings, Takes takes, Skies skies, ObjectMapper json) {

    private static final Pattern FIGURE = Pattern.compile("class=\"figure\">([^<]*)<");

    private MvcResult answer(String path) throws Exception {
        MvcResult result = web.perform(get(path)).andReturn();
        assertThat(result.getResponse().getStatus()).as(path).isEqualTo(200);
        return result;
    }

    private static String text(MvcResult result) throws Exception {
        return result.getResponse().getContentAsString(StandardCharsets.UTF_8);
    }

    private static List<String> figures(String page) {
        List<String> found = new ArrayList<>();
        Matcher matcher = FIGURE.matcher(page);
        while (found.size() < 3 && matcher.find()) {
            found.add(matcher.group(1));
        }
        return found;
    }

    private NamedGear gear(String name, Gear gear) {
        return kit.gear(kit.save(new NamedGear(null, name, 0, gear, ""))).orElseThrow();
    }

    @Test
    void tracker_converter_and_filter_count_in_outing_bench_frame_and_interface() throws Exception {
        NamedRig long4 = kit.rig(4).orElseThrow();
        List<NamedGear> gear = List.of(
                gear("Rough tracker", new Support(Support.Kind.SIDEREAL, 5)),
                gear("Converter", new Gear.Teleconverter(1.4)),
                gear("Mist filter", new Gear.Filter(1.25)));
        long id = kit.save(new NamedRig(null, "Tracked tele", long4.body(), long4.lens(), gear));
        Place place = places.add(new Place(
                null,
                "Field",
                new Site(37.6, -8.8, 40),
                ZoneId.of("Europe/Lisbon"),
                OptionalDouble.of(21.3),
                Skyline.FLAT,
                false,
                List.of(),
                Place.Notes.NONE));
        Outing outing = outings.save(
                Outing.fresh("Tele", place, LocalDate.of(2027, 6, 8)).with(Demand.USUAL.within(2.5, Sharp.HALF)));
        NamedRig rig = kit.rig(id).orElseThrow();
        Night night = outing.night(skies);
        takes.add(
                outing.id(),
                Take.of("Core", new MilkyWay(0), Takes.camera(rig)).set(150, 9).pinnedAt(night.best()),
                id);

        SetupRequest asked =
                SetupRequest.of(rig, place, night, 150, 9, Demand.USUAL.within(2.5, Sharp.HALF), night.best());
        Proposal expected = asked.proposal();
        assertThat(expected.settings().seconds()).as("the tracker counts").isGreaterThan(5);
        assertThat(asked.optics().focalMm()).as("the converter counts").isCloseTo(210, within(1e-9));

        String page = text(answer("/outings/" + outing.id() + "?minute=" + asked.minute()));
        List<String> set = figures(page);
        assertThat(set).containsExactly(expected.label(), "9", Integer.toString((int)
                expected.settings().iso()));
        assertThat(figures(text(answer("/bench?" + asked.address())))).isEqualTo(set);

        Object view =
                answer("/frame?" + asked.address()).getModelAndView().getModel().get("view");
        assertThat(view)
                .extracting("shutter", "aperture", "iso")
                .containsExactly(set.get(0) + " s", set.get(1), Integer.valueOf(set.get(2)));

        JsonNode found = json.readTree(text(answer("/api/exposure/propose?lat=37.6&lon=-8.8&elevation=40&darkness=21.3"
                + "&time=" + asked.when() + "&azimuth=" + asked.axis().azimuthDeg() + "&altitude="
                + asked.axis().altitudeDeg() + "&focal=150&aperture=9&sensorWidth="
                + long4.body().sensor().widthMm() + "&sensorHeight="
                + long4.body().sensor().heightMm() + "&pixelsAcross="
                + long4.body().sensor().pixelsAcross()
                + "&converter=1.4&filterStops=1.25&support=sidereal&trackingError=5&tolerancePx=2.5&sharp=half")));
        assertThat(found.get("shutterLabel").asText()).isEqualTo(set.get(0));
        assertThat(found.get("iso").asText()).isEqualTo(set.get(2));
        assertThat(found.get("worstDriftPx").asDouble()).isCloseTo(expected.worstPx(), within(1e-9));
        assertThat(found.get("judgedDriftPx").asDouble()).isCloseTo(expected.judgedPx(), within(1e-9));
        assertThat(found.get("frames").isNull())
                .as("so slow an optic cannot stack enough of its dim clouds")
                .isEqualTo(expected.stack().isEmpty());
    }
}
