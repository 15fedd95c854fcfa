package dev.halfdusk.app.api;

import dev.halfdusk.app.places.DarkGround;
import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.ground.DarkField;
import dev.halfdusk.core.ground.Gazetteer;
import dev.halfdusk.core.ground.Readings;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.ArrayList;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** How dark the sky is by the light of the towns. */
@RestController
@RequestMapping("/api/darkness")
@Tag(name = "darkness", description = "Brightness of the sky by the light of towns")
class DarknessApi {

    /** Fewer or more points are refused: the answer is a number for each. */
    private static final int MOST_POINTS = 50_000;

    private final DarkGround ground;

    DarknessApi(DarkGround ground) {
        this.ground = ground;
    }

    /** At a height of 15 degrees. */
    public record Towards(double azimuthDeg, double magPerArcsec2) {}

    /**
     * @param zenithMagnitude V per square arcsecond, good to uncertaintyMag
     * @param darknessClass 1 to 9
     * @param townsTimes as bright as estimated, by readings of one's own; 1 where fewer than two are near
     */
    public record Darkness(
            double zenithMagnitude,
            double uncertaintyMag,
            int darknessClass,
            double townsTimes,
            List<Towards> towards) {}

    /**
     * @param columns from west to east
     * @param rows from north to south
     * @param zenithMagnitudes row by row; the middle one is the place that was asked for
     */
    public record Grid(int columns, int rows, double stepKm, int towns, List<Double> zenithMagnitudes) {}

    @GetMapping
    @Operation(
            summary = "Darkness of a place",
            description =
                    "Estimated from the towns round about, in clear air without moon, corrected by readings of your places where"
                            + " two or more lie within 60 km.")
    Darkness at(@RequestParam double latitudeDeg, @RequestParam double longitudeDeg) {
        Readings readings = ground.readings();
        double zenith = DarkGround.zenith(latitudeDeg, longitudeDeg, readings);
        List<Towards> towards = new ArrayList<>();
        for (int k = 0; k < 8; k++) {
            towards.add(new Towards(45.0 * k, DarkGround.towards(latitudeDeg, longitudeDeg, 45.0 * k, readings)));
        }
        return new Darkness(
                zenith,
                DarkField.UNCERTAINTY,
                Luminance.classOf(zenith),
                readings.times(latitudeDeg, longitudeDeg),
                towards);
    }

    @GetMapping("/field")
    @Operation(
            summary = "Darkness round a place",
            description = "A grid that lies evenly in distance and bearing from its middle; at most 50000 points.")
    Grid field(
            @RequestParam double latitudeDeg,
            @RequestParam double longitudeDeg,
            @RequestParam(defaultValue = "50") double withinKm,
            @RequestParam(defaultValue = "2") double stepKm) {
        double side = 2 * Math.ceil(withinKm / stepKm) + 1;
        if (side * side > MOST_POINTS) {
            throw new BadParameter("stepKm", "gives " + Math.round(side * side) + " points", "at most " + MOST_POINTS);
        }
        DarkField f = DarkField.around(
                Gazetteer.shipped(), latitudeDeg, longitudeDeg, withinKm, withinKm, stepKm, ground.readings());
        List<Double> magnitudes = new ArrayList<>();
        for (float m : f.magnitudes()) {
            magnitudes.add(Math.round(m * 100) / 100.0);
        }
        return new Grid(f.columns(), f.rows(), f.stepKm(), f.towns(), magnitudes);
    }
}
