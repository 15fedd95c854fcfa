package dev.halfdusk.app.pictures;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.camera.Run;
import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.Front;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PicturesTest {

    private static final Pattern POINT = Pattern.compile("(-?[\\d.]+),(-?[\\d.]+)");

    private static Night night(double latitude, double longitude, String date, String zone) {
        return Night.of(new Site(latitude, longitude, 0), LocalDate.parse(date), ZoneId.of(zone), NightRules.USUAL);
    }

    private static List<double[]> points(String path) {
        assertThat(path).doesNotContain("NaN").doesNotContain("Infinity");
        return POINT.matcher(path)
                .results()
                .map((MatchResult m) -> new double[] {Double.parseDouble(m.group(1)), Double.parseDouble(m.group(2))})
                .toList();
    }

    private static Setup setup(Night night) {
        CameraBody body = CameraBody.generic(Sensor.of(36, 24, 7040), Dial.THIRD, 51_200);
        Rig rig = Rig.of(body, new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));
        return new Setup(
                rig,
                20,
                1.8,
                Pointing.level(night.aim(night.best()).direction()),
                Standpoint.open(night.site(), SkyGlow.natural()),
                night.best(),
                Demand.USUAL);
    }

    private static double percent(String text) {
        return Double.parseDouble(text.replace("%", ""));
    }

    @ParameterizedTest
    @CsvSource({
        "37.6,-8.8,2027-06-08,Europe/Lisbon",
        "37.6,-8.8,2027-10-30,Europe/Lisbon",
        "37.6,-8.8,2027-03-27,Europe/Lisbon",
        "69.65,18.96,2027-06-21,Europe/Oslo",
        "78.2,15.6,2026-12-23,Arctic/Longyearbyen",
        "90,0,2027-03-20,UTC",
        "-90,0,2027-06-21,UTC",
        "-33.9,151.2,2027-07-04,Australia/Sydney",
        "0,180,2028-02-29,Pacific/Fiji"
    })
    void ribbon_strip_and_panorama_stay_in_their_frames(double latitude, double longitude, String date, String zone) {
        Night night = night(latitude, longitude, date, zone);
        Ribbon ribbon = Ribbon.of(night, SkyGlow.natural());
        assertThat(ribbon.firstMinute()).isBetween(0, ribbon.lastMinute() - 60);
        assertThat(ribbon.lastMinute()).isLessThanOrEqualTo(25 * 60);
        assertThat(ribbon.stops())
                .extracting(s -> percent(s.x()))
                .isSorted()
                .startsWith(0.0)
                .endsWith(100.0);
        assertThat(ribbon.stops()).allMatch(s -> s.colour().matches("#[0-9a-f]{6}"));
        assertThat(points(ribbon.corePath() + ribbon.coreArea() + ribbon.moonPath()))
                .allSatisfy(p -> {
                    assertThat(p[0]).isBetween(0.0, 1000.0);
                    assertThat(p[1]).isBetween(0.0, (double) Ribbon.HEIGHT);
                });
        assertThat(ribbon.clamp(-5)).isEqualTo(ribbon.firstMinute());
        assertThat(ribbon.clamp(9999)).isEqualTo(ribbon.lastMinute());
        assertThat(ribbon.at(ribbon.firstMinute())).isEqualTo("0.00%");

        SkyStrip strip = SkyStrip.of(night, setup(night));
        assertThat(points(strip.framed())).hasSizeGreaterThan(90);
        points(strip.corePath() + strip.moonPath() + strip.windowPath() + strip.milkyWay());
        assertThat(strip.stars())
                .allSatisfy(s -> assertThat(points(s.path())).allSatisfy(p -> {
                    assertThat(p[0]).isBetween(0.0, (double) SkyStrip.WIDTH);
                    assertThat(p[1]).isBetween(0.0, (double) SkyStrip.HEIGHT);
                }));

        HorizonPicture panorama = HorizonPicture.of(List.of(), List.of(), night);
        assertThat(points(panorama.ground() + panorama.corePath() + panorama.moonPath()))
                .allSatisfy(p -> assertThat(p[0]).isBetween(0.0, (double) HorizonPicture.WIDTH));
    }

    @Test
    void a_curve_that_begins_above_the_horizon_closes_its_area_below_itself() {
        Ribbon ribbon = Ribbon.of(night(-89, 0, "2027-07-04", "UTC"), SkyGlow.natural());
        List<double[]> area = points(ribbon.coreArea());
        assertThat(area.get(0)[1]).isEqualTo(Ribbon.HEIGHT);
        assertThat(area.get(area.size() - 1)[1]).isEqualTo(Ribbon.HEIGHT);
        assertThat(points(ribbon.corePath())).noneMatch(p -> p[1] == Ribbon.HEIGHT);
    }

    @Test
    void the_dark_stretch_of_the_ribbon_lies_where_the_night_says() {
        Night night = night(37.6, -8.8, "2027-06-04", "Europe/Lisbon");
        Ribbon ribbon = Ribbon.of(night, SkyGlow.natural());
        Ribbon.Stretch dark = ribbon.dark().get(0);
        double minutes = percent(dark.width()) / 100 * (ribbon.lastMinute() - ribbon.firstMinute());
        assertThat(minutes).isCloseTo(night.moonless().get(0).length().toSeconds() / 60.0, within(0.2));
        assertThat(dark.words()).contains("dark, no moon").contains("5 h 3");
        assertThat(ribbon.darkWords()).endsWith(".");
        assertThat(Ribbon.of(night(37.6, -8.8, "2027-06-18", "Europe/Lisbon"), SkyGlow.natural())
                        .darkWords())
                .contains("No dark sky");
    }

    @Test
    void towns_marks_and_skyline_stand_in_their_directions() {
        Skyline ridge = Skyline.of(List.of(new Skyline.Point(90, 20), new Skyline.Point(270, 0)));
        Night night = Night.of(
                new Site(-37.6, 144, 0),
                LocalDate.of(2027, 6, 8),
                ZoneId.of("Australia/Melbourne"),
                NightRules.USUAL.withSkyline(ridge));
        HorizonPicture panorama = HorizonPicture.of(
                List.of(new Dome("town", 180, 10, 50_000)), List.of(new Mark("arch", 90, 100, 10, 4, 0)), night);
        assertThat(panorama.domes().get(0).x()).isEqualTo(HorizonPicture.WIDTH / 2.0);
        assertThat(panorama.domes().get(0).strength()).isBetween(0.2, 1.0);
        HorizonPicture.MarkShape arch = panorama.marks().get(0);
        assertThat(arch.x()).isCloseTo(HorizonPicture.WIDTH / 4.0, within(0.2));
        double[] corners = Stream.of(
                        arch.outline().replaceAll("[A-Z]", " ").trim().split("[ ,]+"))
                .mapToDouble(Double::parseDouble)
                .toArray();
        // 2.29° are 6.9 of 1080; left foot, left top, right top, right foot
        assertThat(corners[4] - corners[0]).isCloseTo(6.9, within(0.3));
        assertThat(corners[1]).isCloseTo(panorama.horizon(), within(0.2));
        assertThat(corners[3]).isCloseTo(arch.y(), within(0.2)).isLessThan(corners[1]);
        assertThat(panorama.handles().get(0).y())
                .isLessThan(panorama.handles().get(1).y());
        assertThat(panorama.pole().x()).isEqualTo(HorizonPicture.WIDTH / 2.0); // in the south
    }

    @Test
    void moonlight_and_towns_change_the_ribbon() {
        Night full = night(37.6, -8.8, "2027-06-18", "Europe/Lisbon");
        Night dark = night(37.6, -8.8, "2027-06-04", "Europe/Lisbon");
        assertThat(colours(full, SkyGlow.natural())).isNotEqualTo(colours(dark, SkyGlow.natural()));
        assertThat(colours(dark, SkyGlow.ofZenith(18))).isNotEqualTo(colours(dark, SkyGlow.natural()));
    }

    private static List<String> colours(Night night, SkyGlow glow) {
        return Ribbon.of(night, glow).stops().stream().map(Ribbon.Stop::colour).toList();
    }

    /** Of very many frames several share a bar, which shows the worst of them. */
    @Test
    void a_run_is_a_bar_for_each_frame_or_for_several() {
        Instant begins = Instant.parse("2027-06-04T22:00:00Z");
        List<Run.Result> results = new ArrayList<>();
        for (int i = 0; i < 500; i++) {
            Program.Shot shot = new Program.Shot(
                    i + 1, begins.plusSeconds(i), new Settings(0.5, 4, 100), FileFormat.RAW, "trails", Front.OPEN);
            Run.Fate fate = i == 7 ? Run.Fate.LOST : i == 100 ? Run.Fate.LATE : Run.Fate.TAKEN;
            results.add(new Run.Result(shot, fate, shot.opens(), ""));
        }
        RunStrip many = RunStrip.of(new Run(results, 1, 0, 1));
        assertThat(many.bars()).hasSize(167);
        assertThat(many.fates()).hasSize(500).startsWith("tttttttxt");
        assertThat(many.bars().get(2).fate()).isEqualTo("lost");
        assertThat(many.bars().get(33).fate()).isEqualTo("late");
        assertThat(many.bars().get(166).x() + many.bars().get(166).width()).isLessThanOrEqualTo(1000);
        RunStrip few = RunStrip.of(new Run(results.subList(0, 10), 1, 0, 1));
        assertThat(few.bars()).hasSize(10);
        assertThat(few.bars().get(1).x()).isEqualTo(100);
        assertThat(few.bars().get(7).fate()).isEqualTo("lost");
    }
}
