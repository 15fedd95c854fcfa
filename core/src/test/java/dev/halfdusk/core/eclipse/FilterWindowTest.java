package dev.halfdusk.core.eclipse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.eclipse.SolarEclipse.Type;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FilterWindowTest {

    private static final List<String> DATES = List.of(
            "2026-08-12",
            "2027-08-02",
            "2028-07-22",
            "2030-11-25",
            "2034-03-20",
            "2035-09-02",
            "2037-07-13",
            "2028-01-26",
            "2031-11-14",
            "2029-06-12"); // seven total, an annular, a hybrid, a partial one

    /** By the bare geometry of two discs: the moon's, 0.5 ″ smaller than the contacts take it, covers all of the sun's. */
    private static boolean dark(Instant t, Observer observer) {
        Vector sun = Moment.at(t).local(Body.SUN, observer);
        Vector moon = Moment.at(t).local(Body.MOON, observer);
        double sunArcsec = 206_264.8 * 696_000 / sun.length();
        double moonArcsec = 206_264.8 * 0.272281 * 6378.137 / moon.length();
        double apart = 3600 * sun.angleTo(moon);
        return sun.z() > 0 && apart + sunArcsec <= moonArcsec + 0.05;
    }

    /**
     * The one test that must never fail: at 500 places around ten eclipses no cue and no script takes a filter off but while the moon has
     * covered the sun for two seconds already and will for twelve more.
     */
    @Test
    void no_filter_comes_off_but_in_totality() {
        SplittableRandom random = new SplittableRandom(500);
        int off = 0;
        int never = 0;
        for (String date : DATES) {
            SolarEclipse e = Suns.on(date);
            List<CentralLine.Point> line = CentralLine.of(e, java.time.Duration.ofMinutes(1));
            for (int i = 0; i < 50; i++) {
                Site site = near(line, random);
                Observer observer = Observer.at(site);
                Optional<LocalSolarEclipse> here = LocalSolarEclipse.of(e, observer, Skyline.FLAT);
                if (here.isEmpty()) {
                    continue;
                }
                List<Cue> cues = Cue.of(here.get(), FilterWindow.Margins.LEAST);
                List<Cue> offs = cues.stream()
                        .filter(c -> c.kind() == Cue.Kind.FILTER_OFF)
                        .toList();
                never += offs.isEmpty() ? 1 : 0;
                off += offs.size();
                assertThat(offs.size()).isLessThanOrEqualTo(here.get().type() == Type.TOTAL ? 1 : 0);
                for (Cue cue : offs) {
                    Instant on = cues.stream()
                            .filter(c ->
                                    c.kind() == Cue.Kind.FILTER_ON && c.when().isAfter(cue.when()))
                            .findFirst()
                            .orElseThrow()
                            .when();
                    for (double t = -2; t <= Instants.seconds(cue.when(), on) + 12; t += 2) {
                        assertThat(dark(Instants.after(cue.when(), t), observer))
                                .as("%s at %s, %s s after the cue", date, site, t)
                                .isTrue();
                    }
                }
                scripted(here.get(), site, offs.isEmpty());
            }
        }
        assertThat(off).isGreaterThan(150);
        assertThat(never).isGreaterThan(150);
    }

    private static void scripted(LocalSolarEclipse here, Site site, boolean never) {
        Script script = Scripting.of(
                        here,
                        Suns.setup(site, 400, 8, Suns.BODY, Suns.DENSITY_5, Suns.SOLAR),
                        Optional.empty(),
                        ScriptRequest.usual(Role.CLOSE_UP).written(FileFormat.RAW, FileFormat.RAW))
                .script();
        for (Script.Placed p : script.placed(here)) {
            if (!p.line().filtered()) {
                assertThat(never).isFalse();
                assertThat(dark(Instants.after(p.begins(), -2), Observer.at(site)))
                        .isTrue();
                assertThat(dark(Instants.after(p.ends(), 12), Observer.at(site)))
                        .isTrue();
            }
        }
    }

    /** Up to two degrees off a point of the line: half of them in the path, some where the sun is down. */
    private static Site near(List<CentralLine.Point> line, SplittableRandom random) {
        if (line.isEmpty()) {
            return new Site(random.nextDouble(-60, 75), random.nextDouble(-180, 180), 0);
        }
        Site point = line.get(random.nextInt(line.size())).site();
        double wide = random.nextBoolean() ? 0.4 : 2;
        double latitude = Math.max(-89, Math.min(89, point.latitudeDeg() + random.nextDouble(-wide, wide)));
        double longitude = point.longitudeDeg() + random.nextDouble(-wide, wide);
        return new Site(latitude, Math.IEEEremainder(longitude, 360), random.nextDouble(0, 2500));
    }

    @Test
    void margins_can_only_be_widened() {
        LocalSolarEclipse here = Suns.at(Suns.STRAIT, "2027-08-02");
        Instant c2 = here.contact(Anchor.C2).orElseThrow().when();
        Instant c3 = here.contact(Anchor.C3).orElseThrow().when();
        FilterWindow usual = FilterWindow.of(here, FilterWindow.Margins.LEAST).orElseThrow();
        assertThat(Instants.seconds(c2, usual.off().from())).isCloseTo(2, within(1e-6));
        assertThat(Instants.seconds(usual.off().to(), c3)).isCloseTo(12, within(1e-6));
        FilterWindow wide =
                FilterWindow.of(here, new FilterWindow.Margins(5, 30)).orElseThrow();
        assertThat(Instants.seconds(c2, wide.off().from())).isCloseTo(5, within(1e-6));
        assertThat(Instants.seconds(wide.off().to(), c3)).isCloseTo(30, within(1e-6));
        assertThatThrownBy(() -> new FilterWindow.Margins(1.9, 12)).isInstanceOf(OutOfRange.class);
        assertThatThrownBy(() -> new FilterWindow.Margins(2, 11)).isInstanceOf(OutOfRange.class);
    }

    @Test
    void a_shutter_must_open_and_close_within() {
        LocalSolarEclipse here = Suns.at(Suns.STRAIT, "2027-08-02");
        FilterWindow w = FilterWindow.of(here, FilterWindow.Margins.LEAST).orElseThrow();
        assertThat(w.holds(w.off().from(), 1)).isTrue();
        assertThat(w.holds(w.off().from().minusMillis(1), 1)).isFalse();
        assertThat(w.holds(w.off().to().minusSeconds(1), 1)).isTrue();
        assertThat(w.holds(w.off().to().minusSeconds(1), 1.001)).isFalse();
    }

    /** In the middle of the path all is well; with a sun behind a ridge, at the edge of the path and in an annular eclipse never. */
    @ParameterizedTest
    @CsvSource({
        "36.0104, -5.6120, 2027-08-02, 0, true",
        "36.0104, -5.6120, 2027-08-02, 45, false",
        "37.6, -8.7, 2027-08-02, 0, false",
        "37.6, -8.7, 2028-01-26, 0, false"
    })
    void it_is_that_of_a_place(double latitude, double longitude, String date, double ridgeDeg, boolean comesOff) {
        Skyline skyline = Skyline.of(List.of(new Skyline.Point(0, ridgeDeg), new Skyline.Point(180, ridgeDeg)));
        LocalSolarEclipse here = LocalSolarEclipse.of(
                        Suns.on(date), Observer.at(new Site(latitude, longitude, 0)), skyline)
                .orElseThrow();
        Optional<FilterWindow> w = FilterWindow.of(here, FilterWindow.Margins.LEAST);
        assertThat(w.isPresent()).isEqualTo(comesOff);
        assertThat(FilterWindow.words(here, w).contains("never comes off:")).isNotEqualTo(comesOff);
    }

    /** Near the edge of the path: nothing invites a look outside of the window, and below twenty seconds there is none. */
    @Test
    void nothing_invites_a_look_outside_of_the_window() {
        double latitude = 36.2;
        LocalSolarEclipse here = Suns.at(new Site(latitude, -5.6120, 0), "2027-08-02");
        int windows = 0;
        int shown = 0;
        while (here.type() == Type.TOTAL) {
            Optional<FilterWindow> w = FilterWindow.of(here, FilterWindow.Margins.LEAST);
            assertThat(w.isPresent()).isEqualTo(here.inner().toNanos() >= 20_000_000_000L);
            windows += w.isPresent() ? 1 : 0;
            for (Cue c : Cue.of(here, FilterWindow.Margins.LEAST)) {
                if (c.words().contains("Look") || c.kind() == Cue.Kind.LOOK) {
                    shown++;
                    assertThat(w.orElseThrow().holds(c.when(), 2)).isTrue();
                }
            }
            latitude += here.inner().toSeconds() > 40 ? 0.01 : 0.0003;
            here = Suns.at(new Site(latitude, -5.6120, 0), "2027-08-02");
        }
        assertThat(windows).isGreaterThan(shown).isGreaterThan(20);
        assertThat(shown).isGreaterThan(10);
    }

    /** Some twelve seconds of totality near the edge are not worth it. */
    @Test
    void in_a_short_totality_it_stays_on() {
        double latitude = 36.0104;
        LocalSolarEclipse here = Suns.at(new Site(latitude, -5.6120, 0), "2027-08-02");
        while (here.inner().toSeconds() > 17) {
            latitude += 0.004;
            here = Suns.at(new Site(latitude, -5.6120, 0), "2027-08-02");
        }
        assertThat(here.type()).isEqualTo(Type.TOTAL);
        assertThat(here.inner().toSeconds()).isGreaterThan(3);
        assertThat(FilterWindow.of(here, FilterWindow.Margins.LEAST)).isEmpty();
        assertThat(Cue.of(here, FilterWindow.Margins.LEAST)).noneMatch(c -> c.kind() == Cue.Kind.FILTER_OFF);
        assertThat(FilterWindow.words(here, Optional.empty()))
                .contains("totality lasts " + Math.round(here.inner().toMillis() / 1e3) + " s here");
    }

    @Test
    void cues_come_in_order_and_ask_for_batteries_in_time() {
        LocalSolarEclipse here = Suns.at(Suns.STRAIT, "2027-08-02");
        List<Cue> cues = Cue.of(here, FilterWindow.Margins.LEAST);
        assertThat(cues).isSortedAccordingTo(java.util.Comparator.comparing(Cue::when));
        Instant c2 = here.contact(Anchor.C2).orElseThrow().when();
        Cue batteries = cues.stream()
                .filter(c -> c.kind() == Cue.Kind.BATTERIES)
                .findFirst()
                .orElseThrow();
        assertThat(Instants.seconds(batteries.when(), c2)).isBetween(20 * 60.0, 30 * 60.0);
        assertThat(cues.get(0).kind()).isEqualTo(Cue.Kind.CLOCKS);
    }
}
