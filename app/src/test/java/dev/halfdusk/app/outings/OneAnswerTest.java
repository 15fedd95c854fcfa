package dev.halfdusk.app.outings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.halfdusk.app.Made;
import dev.halfdusk.app.PageTest;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.core.exposure.CompositionFrame;
import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.ApertureDial;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.outing.RunSheet;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Subjects;
import dev.halfdusk.core.take.Take;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.web.util.HtmlUtils;

/** Whatever the subject, place, night and rig: page, sheet, phone, paper and files say one thing of a take, and all of it can be set. */
@PageTest
record OneAnswerTest(
        MockMvc web,
        Kit kit,
        Outings outings,
        OutingPlanner evening,
        Takes takes,
        Places places,
        ObjectMapper json,
        Made made) {

    private static final double[] LATITUDES = {37.6, -33.9, 64.1, 2.5, -72};
    private static final List<String> ZONES =
            List.of("Europe/Lisbon", "Australia/Sydney", "Atlantic/Reykjavik", "UTC", "Antarctica/McMurdo");
    private static final double THIRD = 0.34;

    static Stream<Arguments> cases() {
        SplittableRandom random = new SplittableRandom(29);
        List<Arguments> all = new ArrayList<>();
        for (Subject.Kind kind : Subjects.ALL) {
            for (int i = 0; i < 2; i++) {
                int where = random.nextInt(LATITUDES.length);
                LocalDate night = LocalDate.of(2027, 1, 1).plusDays(random.nextInt(364));
                all.add(Arguments.of(
                        kind.key(),
                        LATITUDES[where],
                        ZONES.get(where),
                        kind.key().equals("solar-eclipse")
                                ? LocalDate.of(2027, 8, 1)
                                : kind.key().equals("lunar-eclipse") ? LocalDate.of(2029, 6, 25) : night,
                        random.nextInt(4)));
            }
        }
        return all.stream();
    }

    private byte[] bytes(String path) throws Exception {
        var response = web.perform(get(path)).andReturn().getResponse();
        assertThat(response.getStatus()).as(path).isEqualTo(200);
        return response.getContentAsByteArray();
    }

    private String text(String path) throws Exception {
        return new String(bytes(path), StandardCharsets.UTF_8);
    }

    @ParameterizedTest
    @MethodSource("cases")
    void one_answer(String subject, double latitude, String zone, LocalDate date, int rigIndex) throws Exception {
        boolean sun = subject.equals("solar-eclipse");
        Place place = made.place(
                "One",
                sun ? 36.01 : latitude,
                sun ? -5.61 : -8.8,
                20,
                sun ? "Europe/Madrid" : zone,
                new Mark("Stack", 176, 140, 24, 13, 0));
        NamedRig rig = kit.rigs().get(rigIndex);
        Outing outing =
                outings.save(Outing.fresh("One answer", places.find(place.id()).orElseThrow(), date));
        Take usual = Take.of("Take of it", Subjects.of(subject).orElseThrow().usual(), Takes.camera(rig));
        long id = takes.add(outing.id(), usual, rig.id());
        OutingPlanner.Arranged night = evening.of(outing);
        if (night.schedule().slots().isEmpty()) { // the night has no window for it: held at its best
            takes.pin(outing.id(), id, Optional.of(night.night().best()));
            night = evening.of(outings.existing(outing.id()));
        }
        Slot slot = night.schedule().slots().get(0);
        settable(slot);
        int opens = night.night().minute(slot.runs().from());
        same(outing, night, slot, text("/outings/" + outing.id() + (sun ? "" : "?minute=" + opens)));
    }

    /** Every shutter, aperture and ISO is on its dial, or held on bulb; the composition frame is as bright. */
    private static void settable(Slot slot) {
        Take take = slot.plan().take();
        CameraBody body = take.camera().rig().body();
        var apertures = take.camera().rig().apertures(take.setting().onLensMm());
        for (Program.Step step : slot.program().steps()) {
            Settings s = step.settings();
            double slowest = body.shutters().get(0).realSeconds();
            boolean timed = s.seconds() >= 1
                    && (take.subject().bag().contains("interval timer")
                            || take.subject().byHand().isPresent()); // on bulb
            assertThat(timed
                            || s.seconds() > slowest
                            || body.shutters().stream()
                                    .anyMatch(c -> Math.abs(c.realSeconds() - s.seconds()) < 1e-6 * s.seconds()))
                    .as("shutter %s", s)
                    .isTrue();
            assertThat(body.isoSteps()).as("%s", s).contains((int) s.iso());
            boolean ofLens = Math.abs(s.aperture() - apertures.min()) < 1e-9
                    || Math.abs(s.aperture() - take.setting().aperture()) < 1e-9;
            assertThat(ofLens
                            || ApertureDial.between(apertures.min(), apertures.max())
                                    .contains(s.aperture()))
                    .as("aperture %s", s)
                    .isTrue();
        }
        Settings first = slot.program().steps().get(0).settings();
        slot.answer()
                .test()
                .map(CompositionFrame::settings)
                .ifPresent(t -> assertThat(Correction.stops(first, t)).isBetween(-THIRD, THIRD));
    }

    private void same(Outing outing, OutingPlanner.Arranged night, Slot slot, String workspace) throws Exception {
        String base = "/outings/" + outing.id();
        CameraBody body = slot.plan().take().camera().rig().body();
        Settings first = slot.program().steps().get(0).settings();
        assertThat(workspace)
                .contains("class=\"figure\">" + body.label(first.seconds()) + "<")
                .contains("class=\"figure\">" + Numbers.trimmed(first.aperture(), 1) + "<")
                .contains("class=\"figure\">" + Numbers.plain(first.iso()) + "<");
        List<String> said = new ArrayList<>();
        List<Program.Step> steps = slot.program().steps();
        for (int i = 0; i < steps.size() && i < 4; i++) {
            if (RunSheet.fast(steps, i) == i) {
                String words = steps.get(i).words(body);
                said.add(words.substring(words.indexOf('\u00d7')));
            }
        }
        if (said.isEmpty()) {
            assertThat(text(base + "/sheet")).contains(" frames by script, ");
        }
        String timers = text(base + "/sheet/night.txt");
        steps.stream().limit(4).forEach(s -> assertThat(timers).contains(s.words(body)));
        for (String path : List.of("/sheet", "/sheet/night.csv", "/sheet/night.json", "/sheet/night.html")) {
            String page = text(base + path);
            assertThat(said).as(path).allMatch(page::contains);
        }
        JsonNode api = json.readTree(text("/api/outings/" + outing.id() + "/sheet"));
        assertThat(api).isEqualTo(json.readTree(text(base + "/sheet/night.json")));
        String focus = night.sheet().stream()
                .map(l -> l.what())
                .filter(w -> w.startsWith("Set up"))
                .findFirst()
                .orElse("");
        assertThat(text(base + "/sheet")).contains(HtmlUtils.htmlEscape(focus, "UTF-8"));
        try (PDDocument pdf = Loader.loadPDF(bytes(base + "/sheet/card-a4.pdf"))) {
            String printed = new PDFTextStripper().getText(pdf).replaceAll("\\s+", " ");
            assertThat(said.stream().map(w -> w.substring(w.indexOf('f')))).allMatch(printed::contains);
        }
        String calendar =
                text(base + "/sheet/night.ics").replaceAll("\r\n[ \t]", "").replace("\\,", ",");
        assertThat(said.isEmpty() || said.stream().anyMatch(calendar::contains)).isTrue();
    }
}
