package dev.halfdusk.core.eclipse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.eclipse.Script.Line;
import dev.halfdusk.core.eclipse.Script.Placed;
import dev.halfdusk.core.eclipse.SolarEclipse.Type;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.BufferFill;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ScriptingTest {

    /** The table of the craft at f/8 and ISO 200. */
    @ParameterizedTest
    @CsvSource({
        "11, 0.00015625",
        "10, 0.0003125",
        "9, 0.000625",
        "7, 0.0025",
        "5, 0.01",
        "3, 0.04",
        "1, 0.16",
        "0, 0.32",
        "-1, 0.64",
        "-3, 2.56"
    })
    void seconds_of_an_exponent(double q, double seconds) {
        assertThat(SolarLight.seconds(q, 8, 200)).isCloseTo(seconds, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"16.61, 8, 0.00125", "13.29, 11, 0.00015625"})
    void the_partial_phase_goes_by_the_filter(double stops, double q, double seconds) {
        Setup s = Suns.setup(Suns.STRAIT, 400, 8, Suns.BODY, new Gear.Filter(stops));
        assertThat(SolarLight.partial(s.rig())).isCloseTo(q, within(0.01));
        assertThat(SolarLight.seconds(SolarLight.partial(s.rig()), 8, 200)).isCloseTo(seconds, within(seconds / 100));
    }

    @ParameterizedTest
    @CsvSource({"0.1, 7", "0.2, 5", "0.5, 3", "1, 1", "2, 0", "4, -1", "8, -3"})
    void the_corona_by_its_height(double radii, double q) {
        assertThat(SolarLight.corona(radii)).isCloseTo(q, within(1e-9));
        assertThat(SolarLight.corona(radii * 1.1)).isLessThan(q);
    }

    @Test
    void a_shutter_that_is_held_short_raises_the_iso() {
        Setup s = Suns.setup(Suns.STRAIT, 400, 8, Suns.BODY);
        Settings free = SolarLight.settings(s.rig(), -1, 8, 200, 30);
        assertThat(free.iso()).isEqualTo(200);
        assertThat(free.seconds()).isCloseTo(0.63, within(0.01));
        Settings held = SolarLight.settings(s.rig(), -1, 8, 200, 0.33);
        assertThat(held.iso()).isEqualTo(400);
        assertThat(held.seconds()).isCloseTo(0.315, within(0.01));
        Settings cut = SolarLight.settings(s.rig(), -12, 8, 200, 0.33);
        assertThat(cut.iso()).isEqualTo(25_600);
        assertThat(cut.seconds()).isLessThanOrEqualTo(0.33);
        assertThat(SolarLight.shortOfStops(cut, -12))
                .isCloseTo(4 + Math.log(64 * 8 / 25_600.0 / 0.315) / Math.log(2) + 5, within(0.05));
        assertThat(SolarLight.settings(s.rig(), 20, 8, 200, 30).seconds()).isCloseTo(1 / 8192.0, within(1e-6));
    }

    /** A script of chance for a place in or near the path. */
    private record Case(
            LocalSolarEclipse here, Setup setup, Optional<Gear.Card> card, ScriptRequest asked, Scripting.Made made) {

        static Case of(SplittableRandom random) {
            String date = List.of("2027-08-02", "2026-08-12", "2028-07-22", "2028-01-26", "2030-06-01")
                    .get(random.nextInt(5));
            SolarEclipse e = Suns.on(date);
            List<CentralLine.Point> line = CentralLine.of(e, java.time.Duration.ofMinutes(10));
            Site p = line.get(random.nextInt(line.size())).site();
            Site site = new Site(
                    Math.max(-89, Math.min(89, p.latitudeDeg() + random.nextDouble(-0.7, 0.7))), p.longitudeDeg(), 0);
            CameraBody body = Suns.BODY.withFiles(new CameraBody.Files(
                    random.nextDouble(20, 90),
                    random.nextDouble(5, 20),
                    random.nextInt(4, 60),
                    random.nextDouble(30, 400)));
            List<Gear> gear = new ArrayList<>(List.of(new Gear.Filter(random.nextBoolean() ? 16.6 : 13.3)));
            if (random.nextBoolean()) {
                gear.add(Suns.SOLAR);
            }
            double mm = random.nextDouble(100, 1200);
            Setup setup = Suns.setup(site, mm, random.nextDouble(5.6, 11), body, gear.toArray(Gear[]::new));
            ScriptRequest asked = new ScriptRequest(
                    random.nextBoolean() ? Role.CLOSE_UP : Role.CORONA,
                    random.nextDouble(30, 600),
                    random.nextBoolean() ? 0 : random.nextInt(2, 30),
                    100 << random.nextInt(3),
                    FileFormat.RAW_AND_JPEG,
                    random.nextBoolean() ? FileFormat.RAW : FileFormat.RAW_AND_JPEG,
                    random.nextInt(0, 15),
                    random.nextDouble(0.2, 2),
                    new FilterWindow.Margins(random.nextDouble(2, 6), random.nextDouble(12, 20)));
            Optional<Gear.Card> card = random.nextBoolean()
                    ? Optional.empty()
                    : Optional.of(new Gear.Card(64, random.nextDouble(20, 200)));
            LocalSolarEclipse here = LocalSolarEclipse.of(
                            e, Observer.at(site), setup.from().skyline())
                    .orElseThrow();
            return new Case(here, setup, card, asked, Scripting.of(here, setup, card, asked));
        }
    }

    /** 300 rigs and places of chance: nothing overlaps, nothing is late, all in order and within the body, and what is unfiltered in totality. */
    @Test
    void scripts_of_chance_can_be_run() {
        SplittableRandom random = new SplittableRandom(27);
        int totals = 0;
        int slowed = 0;
        for (int n = 0; n < 300; n++) {
            Case c = Case.of(random);
            Script script = c.made.script();
            ScriptCheck check = ScriptCheck.of(
                    script, new ScriptCheck.Against(c.here, c.setup, c.card, c.asked.margins(), c.asked.role()));
            assertThat(check.findings()).as("case %d", n).isEmpty();
            List<Placed> placed = script.placed(c.here);
            for (int i = 1; i < placed.size(); i++) {
                assertThat(placed.get(i).number()).as("order of case %d", n).isEqualTo(i);
                assertThat(Instants.seconds(
                                placed.get(i - 1).ends(), placed.get(i).begins()))
                        .as("case %d, line %d", n, i)
                        .isGreaterThanOrEqualTo(0.1 - 1e-6);
            }
            Optional<Program> program = script.program(c.here);
            if (program.isPresent()) {
                BufferFill filling =
                        BufferFill.of(program.get().shots(), c.setup.rig().body(), c.card);
                assertThat(filling.smooth()).as("case %d", n).isTrue();
                assertThat(filling.fullest())
                        .isLessThanOrEqualTo(c.setup.rig().body().files().bufferFrames());
            }
            totals += script.lines().stream().anyMatch(l -> !l.filtered()) ? 1 : 0;
            slowed += c.made.gapSeconds() > 0 ? 1 : 0;
        }
        assertThat(totals).isGreaterThan(50);
        assertThat(slowed).isGreaterThan(10);
    }

    /** Whatever is done on the way in is done on the way out, as long from the third contact as from the second. */
    @Test
    void the_way_out_mirrors_the_way_in() {
        LocalSolarEclipse here = Suns.at(Suns.STRAIT, "2027-08-02");
        Setup s = Suns.setup(Suns.STRAIT, 400, 8, Suns.BODY, Suns.DENSITY_5, Suns.SOLAR);
        Script script = Scripting.of(here, s, Optional.empty(), ScriptRequest.usual(Role.CORONA))
                .script();
        FilterWindow w = FilterWindow.of(here, FilterWindow.Margins.LEAST).orElseThrow();
        Instant c2 = here.contact(Anchor.C2).orElseThrow().when();
        Instant c3 = here.contact(Anchor.C3).orElseThrow().when();
        List<Placed> placed = script.placed(here);
        for (Placed p : placed) {
            Instant middle = p.line().filtered()
                    ? c2.plus(java.time.Duration.between(c2, c3).dividedBy(2))
                    : w.off().middle();
            double opens = Instants.seconds(middle, p.begins());
            assertThat(placed)
                    .as("partner of %s", p)
                    .anyMatch(q -> q.line().settings().equals(p.line().settings())
                            && q.line().filtered() == p.line().filtered()
                            && q.line().frames() == p.line().frames()
                            && Math.abs(Instants.seconds(middle, q.ends()) + opens) < 1e-3);
        }
        assertThat(placed).anyMatch(p -> p.line().what().equals("earthshine"));
        assertThat(placed.stream()
                        .filter(p -> p.line().what().equals("second contact"))
                        .mapToInt(p -> p.line().frames())
                        .sum())
                .isEqualTo(placed.stream()
                        .filter(p -> p.line().what().equals("third contact"))
                        .mapToInt(p -> p.line().frames())
                        .sum())
                .isGreaterThan(10);
    }

    /** 1000 mm on 24 mm see 1.37°; the sun's 0.53° leave 0.42° to either side, 101 s of drift, and totality lasts 276. On a tracker nothing is said. */
    @Test
    void a_long_lens_that_stands_still_has_a_gap_to_bring_the_sun_back() {
        LocalSolarEclipse here = Suns.at(Suns.STRAIT, "2027-08-02");
        Scripting.Made still = Scripting.of(
                here,
                Suns.setup(Suns.STRAIT, 1000, 8, Suns.BODY, Suns.DENSITY_5),
                Optional.empty(),
                ScriptRequest.usual(Role.CLOSE_UP));
        Instant max = here.max().when();
        assertThat(still.script().placed(here))
                .noneMatch(
                        p -> p.begins().isBefore(max.plusSeconds(5)) && p.ends().isAfter(max.minusSeconds(5)))
                .anyMatch(p -> !p.line().filtered());
        assertThat(still.notes()).anyMatch(n -> n.contains("in 1.7 min")).anyMatch(n -> n.contains("gap of 12 s"));
        Scripting.Made tracked = Scripting.of(
                here,
                Suns.setup(Suns.STRAIT, 1000, 8, Suns.BODY, Suns.DENSITY_5, Suns.SOLAR),
                Optional.empty(),
                ScriptRequest.usual(Role.CLOSE_UP));
        assertThat(tracked.notes()).noneMatch(n -> n.contains("drifts"));
        Scripting.Made shorter = Scripting.of(
                here,
                Suns.setup(Suns.STRAIT, 400, 8, Suns.BODY, Suns.DENSITY_5),
                Optional.empty(),
                ScriptRequest.usual(Role.CLOSE_UP));
        assertThat(shorter.notes()).noneMatch(n -> n.contains("gap of"));
    }

    /** The ladder fills totality: no hole of more than a few seconds while the filter is off. */
    @Test
    void ladders_fill_totality() {
        LocalSolarEclipse here = Suns.at(Suns.STRAIT, "2027-08-02");
        Setup s = Suns.setup(Suns.STRAIT, 400, 8, Suns.BODY, Suns.DENSITY_5, Suns.SOLAR);
        Script script = Scripting.of(here, s, Optional.empty(), ScriptRequest.usual(Role.CORONA))
                .script();
        List<Placed> open =
                script.placed(here).stream().filter(p -> !p.line().filtered()).toList();
        for (int i = 1; i < open.size(); i++) {
            assertThat(Instants.seconds(open.get(i - 1).ends(), open.get(i).begins()))
                    .isLessThan(5);
        }
        List<String> what = open.stream().map(p -> p.line().what()).toList();
        assertThat(what).contains("beads", "chromosphere", "prominences", "corona to 0.1 radii", "corona to 8 radii");
        assertThat(what.get(0)).isEqualTo("beads");
        assertThat(what.get(what.size() - 1)).isEqualTo("beads");
    }

    /** Every step of the coverage as large as the others, by the discs of the place. */
    @Test
    void equal_steps_cover_equally() {
        LocalSolarEclipse here = Suns.at(Suns.STRAIT, "2027-08-02");
        Setup s = Suns.setup(Suns.STRAIT, 400, 8, Suns.BODY, Suns.DENSITY_5);
        ScriptRequest asked = new ScriptRequest(
                Role.CLOSE_UP, 300, 10, 200, FileFormat.RAW, FileFormat.RAW, 8, 0.8, FilterWindow.Margins.LEAST);
        List<Placed> partial = Scripting.of(here, s, Optional.empty(), asked).script().placed(here).stream()
                .filter(p -> p.line().what().equals("partial phase"))
                .filter(p -> p.line().from() == Anchor.C2)
                .toList();
        assertThat(partial).hasSize(9);
        for (int i = 0; i < partial.size(); i++) {
            double magnitude = Discs.at(Moment.at(partial.get(i).begins()), Observer.at(Suns.STRAIT))
                    .magnitude();
            assertThat(magnitude).isCloseTo((i + 1) / 10.0 * here.magnitude(), within(0.05));
        }
        double first = Discs.at(Moment.at(partial.get(3).begins()), Observer.at(Suns.STRAIT))
                .magnitude();
        double next = Discs.at(Moment.at(partial.get(4).begins()), Observer.at(Suns.STRAIT))
                .magnitude();
        assertThat(next - first).isCloseTo(0.1, within(0.003));
    }

    @Test
    void without_a_solar_filter_there_is_no_partial_phase() {
        LocalSolarEclipse here = Suns.at(Suns.STRAIT, "2027-08-02");
        for (Gear.Filter weak : List.of(new Gear.Filter(0), new Gear.Filter(10))) {
            Scripting.Made made = Scripting.of(
                    here,
                    Suns.setup(Suns.STRAIT, 400, 8, Suns.BODY, weak),
                    Optional.empty(),
                    ScriptRequest.usual(Role.CLOSE_UP));
            assertThat(made.script().lines()).isNotEmpty().noneMatch(Line::filtered);
            assertThat(made.notes()).anyMatch(n -> n.contains("no solar filter"));
        }
        LocalSolarEclipse partial = Suns.at(new Site(45, 5, 0), "2027-08-02");
        assertThat(partial.type()).isEqualTo(Type.PARTIAL);
        assertThat(Scripting.of(
                                partial,
                                Suns.setup(new Site(45, 5, 0), 400, 8, Suns.BODY),
                                Optional.empty(),
                                ScriptRequest.usual(Role.CLOSE_UP))
                        .script()
                        .lines())
                .isEmpty();
    }

    /** A ring is photographed from contact to contact, through the filter. */
    @Test
    void annular_and_partial_scripts_are_filtered_throughout() {
        Site ring = CentralLine.of(Suns.on("2028-01-26"), java.time.Duration.ofMinutes(20))
                .get(3)
                .site();
        LocalSolarEclipse here = Suns.at(ring, "2028-01-26");
        assertThat(here.type()).isEqualTo(Type.ANNULAR);
        Script script = Scripting.of(
                        here,
                        Suns.setup(ring, 400, 8, Suns.BODY, Suns.DENSITY_5),
                        Optional.empty(),
                        ScriptRequest.usual(Role.CORONA))
                .script();
        assertThat(script.lines()).allMatch(Line::filtered);
        assertThat(script.lines()).anyMatch(l -> l.what().equals("ring, maximum"));
        assertThat(script.lines()).anyMatch(l -> l.what().equals("third contact"));
        Script partial = Scripting.of(
                        Suns.at(new Site(45, 5, 0), "2027-08-02"),
                        Suns.setup(new Site(45, 5, 0), 400, 8, Suns.BODY, Suns.DENSITY_5),
                        Optional.empty(),
                        ScriptRequest.usual(Role.CORONA))
                .script();
        assertThat(partial.lines())
                .allMatch(Line::filtered)
                .anyMatch(l -> l.what().equals("maximum"));
        assertThat(partial.frames()).isGreaterThan(15);
    }

    private static List<Line> called(Script s, String what) {
        return s.lines().stream().filter(l -> l.what().equals(what)).toList();
    }

    /** By hand: the ring at its middle and every so often to either side, each frame around its instant, clear of both bursts. */
    @Test
    void the_frames_of_a_ring_lie_evenly_around_its_middle() {
        Site ring = CentralLine.of(Suns.on("2028-01-26"), java.time.Duration.ofMinutes(20))
                .get(3)
                .site();
        LocalSolarEclipse here = Suns.at(ring, "2028-01-26");
        ScriptRequest u = ScriptRequest.usual(Role.CORONA);
        ScriptRequest often =
                new ScriptRequest(u.role(), 40, 0, u.iso(), u.partial(), u.total(), 10, u.pauseSeconds(), u.margins());
        Script script = Scripting.of(here, Suns.setup(ring, 400, 8, Suns.BODY, Suns.DENSITY_5), Optional.empty(), often)
                .script();
        double seconds = called(script, "ring, maximum").get(0).settings().seconds();
        assertThat(called(script, "ring, maximum").get(0).offsetSeconds()).isCloseTo(-seconds / 2, within(1e-9));
        double half = Instants.seconds(
                        here.contact(Anchor.C2).orElseThrow().when(),
                        here.contact(Anchor.C3).orElseThrow().when())
                / 2;
        List<Double> wanted = new ArrayList<>();
        for (double t = 40; t < half - 12; t += 40) {
            wanted.add(-t - seconds / 2);
            wanted.add(t - seconds / 2);
        }
        assertThat(wanted).hasSizeGreaterThan(6);
        assertThat(called(script, "ring"))
                .extracting(l -> Math.round(l.offsetSeconds() * 1e6) / 1e6)
                .containsExactlyInAnyOrderElementsOf(
                        wanted.stream().map(t -> Math.round(t * 1e6) / 1e6).toList());
        // the burst from ten seconds before the second contact to ten after it, half a second apart
        Line second = called(script, "second contact").get(0);
        assertThat(second.offsetSeconds()).isEqualTo(-10);
        assertThat(second.pauseSeconds() + seconds).isCloseTo(0.5, within(1e-9));
        assertThat(second.frames()).isEqualTo((int) Math.floor((20 - seconds) / 0.5));
        Line third = called(script, "third contact").get(0);
        assertThat(third.offsetSeconds() + third.seconds()).isCloseTo(10, within(1e-9));
        // a ring that is longer than the interval has at least three frames
        Script seldom = Scripting.of(here, Suns.setup(ring, 400, 8, Suns.BODY, Suns.DENSITY_5), Optional.empty(), u)
                .script();
        assertThat(called(seldom, "ring")).hasSize(2);
        assertThat(called(seldom, "ring").get(1).offsetSeconds()).isCloseTo(half / 2 - seconds / 2, within(1e-6));
    }

    /** Frames of the land, each around its instant: every thirty seconds from five minutes before totality to five after. */
    @Test
    void the_land_is_taken_evenly_around_the_maximum() {
        LocalSolarEclipse here = Suns.at(Suns.STRAIT, "2027-08-02");
        Setup away = Suns.setup(Suns.STRAIT, 20, 4, Suns.BODY).pointing(Pointing.level(new Direction(270, 10)));
        ScriptRequest u = ScriptRequest.usual(Role.LAND);
        ScriptRequest asked =
                new ScriptRequest(u.role(), 30, 0, u.iso(), u.partial(), u.total(), 0, u.pauseSeconds(), u.margins());
        Script script = Scripting.of(here, away, Optional.empty(), asked).script();
        double half = Instants.seconds(
                        here.contact(Anchor.C2).orElseThrow().when(),
                        here.contact(Anchor.C3).orElseThrow().when())
                / 2;
        int each = (int) ((half + 300) / 30);
        assertThat(script.lines()).hasSize(2 * each + 1);
        for (Line l : script.lines()) {
            double at = (l.offsetSeconds() + l.settings().seconds() / 2) / 30;
            assertThat(at).isCloseTo(Math.rint(at), within(1e-6));
            assertThat(Math.abs(at)).isLessThanOrEqualTo(each + 1e-6);
        }
        assertThat(script.lines().get(0).settings())
                .isEqualTo(script.lines().get(2 * each).settings());
    }

    /** Clear of a frame that looks the other way, and of one that ends well beside or below it. */
    @Test
    void the_sun_keeps_clear_of_a_frame_by_a_third() {
        LocalSolarEclipse here = Suns.at(Suns.STRAIT, "2027-08-02");
        Setup any = Suns.setup(Suns.STRAIT, 20, 4, Suns.BODY);
        Direction first =
                Direction.of(Moment.at(here.contact(Anchor.C1).orElseThrow().when())
                        .local(Body.SUN, any.from().observer()));
        // level, 20 mm take 42° to either side; 1.3 times 18 mm are 49.5°
        assertThat(Scripting.clearOfFrame(here, level(any, first.azimuthDeg() - 52, 0)))
                .isTrue();
        assertThat(Scripting.clearOfFrame(here, level(any, first.azimuthDeg() - 47, 0)))
                .isFalse();
        // and 31° upwards; 1.3 times 12 mm are 38°
        assertThat(Scripting.clearOfFrame(here, level(any, first.azimuthDeg(), first.altitudeDeg() - 41)))
                .isTrue();
        assertThat(Scripting.clearOfFrame(here, level(any, first.azimuthDeg(), first.altitudeDeg() - 35)))
                .isFalse();
        assertThat(Scripting.clearOfFrame(here, level(any, first.azimuthDeg() + 180, 10)))
                .isTrue();
    }

    private static Setup level(Setup any, double azimuth, double altitude) {
        return any.pointing(Pointing.level(new Direction(Angles.turn(azimuth), altitude)));
    }

    /** Where writing is slow raw alone gives more frames of totality; where it is fast it gives as many. */
    @Test
    void raw_alone_saves_time_on_a_slow_card() {
        LocalSolarEclipse here = Suns.at(Suns.STRAIT, "2027-08-02");
        CameraBody slow = Suns.BODY.withFiles(new CameraBody.Files(50, 20, 12, 300));
        Setup s = Suns.setup(Suns.STRAIT, 400, 8, slow, Suns.DENSITY_5, Suns.SOLAR);
        ScriptRequest raw = ScriptRequest.usual(Role.CLOSE_UP);
        ScriptRequest both = raw.written(FileFormat.RAW_AND_JPEG, FileFormat.RAW_AND_JPEG);
        Optional<Gear.Card> card = Optional.of(new Gear.Card(64, 40));
        assertThat(total(Scripting.of(here, s, card, raw).script()))
                .isGreaterThan(total(Scripting.of(here, s, card, both).script()) + 10);
        assertThat(total(Scripting.of(here, s, Optional.empty(), raw).script()))
                .isGreaterThan(total(Scripting.of(here, s, card, raw).script()));
    }

    private static int total(Script s) {
        return s.lines().stream()
                .filter(l -> !l.filtered())
                .mapToInt(Line::frames)
                .sum();
    }

    /** With the sun in its frame the land is for totality; aimed away from it, for the minutes around too, darker and darker. */
    @Test
    void the_land_follows_the_failing_light() {
        LocalSolarEclipse here = Suns.at(Suns.STRAIT, "2027-08-02");
        Setup in = Suns.setup(Suns.STRAIT, 20, 4, Suns.BODY);
        FilterWindow w = FilterWindow.of(here, FilterWindow.Margins.LEAST).orElseThrow();
        Scripting.Made total = Scripting.of(here, in, Optional.empty(), ScriptRequest.usual(Role.LAND));
        assertThat(total.script().placed(here))
                .isNotEmpty()
                .allMatch(p -> w.holds(p.begins(), p.line().seconds()));
        assertThat(total.notes()).anyMatch(n -> n.contains("stands in its frame"));
        Setup away = in.pointing(Pointing.level(new Direction(270, 10)));
        List<Placed> around = Scripting.of(here, away, Optional.empty(), ScriptRequest.usual(Role.LAND))
                .script()
                .placed(here);
        assertThat(around.size()).isGreaterThan(total.script().lines().size() + 20);
        double bright = around.get(0).line().settings().seconds();
        double dark = around.get(around.size() / 2).line().settings().seconds();
        assertThat(dark / bright).isBetween(50.0, 2000.0);
    }

    @Test
    void a_video_camera_is_only_reminded() {
        LocalSolarEclipse here = Suns.at(Suns.STRAIT, "2027-08-02");
        Scripting.Made made = Scripting.of(
                here, Suns.setup(Suns.STRAIT, 400, 8, Suns.BODY), Optional.empty(), ScriptRequest.usual(Role.VIDEO));
        assertThat(made.script().lines()).isEmpty();
        assertThat(made.script().program(here)).isEmpty();
        assertThat(made.notes()).isNotEmpty();
    }

    /** The same script at another place has other times; at one outside the path totality is not there. */
    @Test
    void times_belong_to_the_place() {
        LocalSolarEclipse here = Suns.at(Suns.STRAIT, "2027-08-02");
        Script script = Scripting.of(
                        here,
                        Suns.setup(Suns.STRAIT, 400, 8, Suns.BODY, Suns.DENSITY_5, Suns.SOLAR),
                        Optional.empty(),
                        ScriptRequest.usual(Role.CLOSE_UP))
                .script();
        LocalSolarEclipse there = Suns.at(new Site(36.5, -5.0, 0), "2027-08-02");
        double moved = Instants.seconds(
                script.placed(here).get(0).begins(), script.placed(there).get(0).begins());
        assertThat(moved)
                .isCloseTo(
                        Instants.seconds(
                                here.contact(Anchor.C2).orElseThrow().when(),
                                there.contact(Anchor.C2).orElseThrow().when()),
                        within(1e-6));
        assertThat(Math.abs(moved)).isGreaterThan(20);
        LocalSolarEclipse outside = Suns.at(new Site(37.6, -8.7, 0), "2027-08-02");
        assertThat(script.placed(outside)).isEmpty();
    }
}
