package dev.halfdusk.app.pictures;

import dev.halfdusk.core.exposure.DriftField;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.TrailFrames;
import dev.halfdusk.core.glow.SkyColour;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Framing;
import java.util.List;
import java.util.Optional;

/**
 * What a camera frames, as a drawing: sky, Milky Way, stars, moon, ground, marks. Units are a twentieth of a millimetre on
 * the sensor, the origin in the top left corner.
 *
 * @param beyond what lies outside the image circle of the lens; empty where it fills the sensor
 */
public record FramePicture(
        double width,
        double height,
        String skyTop,
        String skyLow,
        List<Light> milkyWay,
        List<StarDots.Stars> stars,
        String figures,
        String grid,
        String horizon,
        String ground,
        List<MarkShape> marks,
        List<Named> named,
        Moon moon,
        Named pole,
        DriftPicture drift,
        List<StarDots.Stars> trails,
        String beyond) {

    /** A grade of the Milky Way's light. */
    public record Light(String path, double opacity) {}

    /** A mark's outline and its words. */
    public record MarkShape(String outline, double x, double y, String name) {}

    /** Something with a word beside it. */
    public record Named(double x, double y, String text, double radius) {}

    /** The moon's disc and the lit part of it. */
    public record Moon(double x, double y, double radius, String turn, String lit) {}

    /**
     * What is drawn beside the sky itself.
     *
     * @param trails drawn instead of stars
     * @param sharpFromM nearer marks are soft when the stars are in focus
     */
    public record Options(
            boolean figures,
            boolean grid,
            Optional<DriftField> drift,
            Optional<TrailFrames> trails,
            double shutterSeconds,
            double sharpFromM) {}

    public static FramePicture of(Scene scene, Framing framing, Options options) {
        FrameSheet sheet = new FrameSheet(scene, framing);
        FrameStars stars = new FrameStars(sheet);
        FrameGround ground = new FrameGround(sheet);
        FrameBodies bodies = new FrameBodies(sheet);
        SunAndMoon lamps = scene.lamps();
        SkyGlow.Parts zenith = scene.from().glow().zenith(lamps);
        double sun = lamps.sunAltitudeDeg();
        boolean dark = StarDots.show(sun);
        boolean points = dark && options.trails.isEmpty();
        return new FramePicture(
                sheet.width,
                sheet.height,
                SkyColour.hex(SkyColour.of(sun, zenith)),
                SkyColour.hex(SkyColour.low(sun, zenith)),
                points ? stars.milkyWay(lamps) : List.of(),
                points ? stars.dots() : List.of(),
                dark && options.figures ? stars.figures() : "",
                options.grid ? ground.grid() : "",
                ground.horizon(),
                ground.ground(),
                ground.marks(options.sharpFromM),
                bodies.named(),
                bodies.moon().orElse(null),
                bodies.pole().orElse(null),
                options.drift.map(f -> DriftPicture.of(f, sheet.sensor)).orElse(null),
                options.trails.map(t -> stars.trails(t, options.shutterSeconds)).orElse(List.of()),
                beyond(sheet));
    }

    private static String beyond(FrameSheet sheet) {
        double radius = sheet.framing.optics().circleMm() / 2 * FrameSheet.SCALE;
        if (2 * radius >= Math.hypot(sheet.width, sheet.height)) {
            return "";
        }
        double r = PathText.tenth(radius);
        double across = PathText.tenth(2 * radius);
        return "M0,0H" + PathText.tenth(sheet.width) + "V" + PathText.tenth(sheet.height) + "H0Z M"
                + PathText.tenth(sheet.width / 2 - radius) + "," + PathText.tenth(sheet.height / 2)
                + Numbers.text("a%1$s,%1$s 0 1 0 %2$s,0a%1$s,%1$s 0 1 0 -%2$s,0Z", r, across);
    }
}
