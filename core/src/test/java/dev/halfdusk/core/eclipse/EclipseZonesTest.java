package dev.halfdusk.core.eclipse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class EclipseZonesTest {

    private static Optional<LocalSolarEclipse> at(SolarEclipse e, double latitude, double longitude) {
        return LocalSolarEclipse.of(e, Observer.at(new Site(latitude, longitude, 0)), Skyline.FLAT);
    }

    /** Along a curve the maximum that a place sees, by the discs in its own sky, is what the curve says. */
    @ParameterizedTest
    @CsvSource({"2027-08-02, 0.4", "2027-08-02, 0.8", "2028-01-26, 0.6", "2029-06-12, 0.2", "2026-08-12, 0.8"})
    void a_curve_is_right_in_the_sky_of_its_places(String date, double magnitude) {
        SolarEclipse e = Suns.on(date);
        List<EclipseZones.Piece> curve = EclipseZones.of(e, 2).curve(magnitude);
        assertThat(curve).hasSizeGreaterThan(20);
        int seen = 0;
        for (int i = 0; i < curve.size(); i += 5) {
            EclipseZones.Piece p = curve.get(i);
            Optional<LocalSolarEclipse> here = at(e, p.fromLatitudeDeg(), p.fromLongitudeDeg());
            if (here.filter(l -> l.max().sun().altitudeDeg() > 5).isPresent()) {
                assertThat(here.get().magnitude()).as("%s", p).isCloseTo(magnitude, within(0.012));
                seen++;
            }
        }
        assertThat(seen).isGreaterThan(3);
    }

    /** Where its edge lies in daylight the eclipse is a touch on one side and none on the other. */
    @Test
    void at_the_edge_of_the_zone_the_discs_just_touch() {
        SolarEclipse e = Suns.on("2027-08-02");
        int touched = 0;
        for (EclipseZones.Piece p : EclipseZones.of(e, 2).curve(0)) {
            Optional<LocalSolarEclipse> here = at(e, p.fromLatitudeDeg(), p.fromLongitudeDeg());
            if (here.isPresent() && here.get().max().sun().altitudeDeg() > 25) {
                assertThat(here.get().magnitude()).isLessThan(0.02);
                touched++;
            }
        }
        assertThat(touched).isGreaterThan(10);
    }

    /** The path of totality runs inside the curve of 0.8, and no curve leaves the earth. */
    @Test
    void curves_enclose_the_path() {
        SolarEclipse e = Suns.on("2027-08-02");
        EclipseZones zones = EclipseZones.of(e, 3);
        List<EclipseZones.Piece> most = zones.curve(0.8);
        double north = most.stream()
                .filter(p -> Math.abs(p.fromLongitudeDeg() - 10) < 2)
                .mapToDouble(EclipseZones.Piece::fromLatitudeDeg)
                .max()
                .orElseThrow();
        double south = most.stream()
                .filter(p -> Math.abs(p.fromLongitudeDeg() - 10) < 2)
                .mapToDouble(EclipseZones.Piece::fromLatitudeDeg)
                .min()
                .orElseThrow();
        assertThat(north).isBetween(37.0, 48.0);
        assertThat(south).isBetween(18.0, 32.0);
        assertThat(zones.curve(0))
                .allMatch(p -> Math.abs(p.fromLatitudeDeg()) <= 90 && Math.abs(p.toLongitudeDeg()) <= 180);
        assertThat(zones.curve(1.2)).isEmpty();
    }
}
