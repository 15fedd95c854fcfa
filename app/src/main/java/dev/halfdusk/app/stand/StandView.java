package dev.halfdusk.app.stand;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.ground.Coordinates;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.search.StandingLine;
import dev.halfdusk.core.search.StandingLine.Spot;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Illumination;
import dev.halfdusk.core.sky.LunarMonth;
import dev.halfdusk.core.sky.Moment;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** Where to stand, in the words and numbers of the page. */
public record StandView(
        Place place,
        long markId,
        Mark mark,
        String body,
        String clock,
        String utc,
        String direction,
        String trouble,
        Picture picture,
        Row chosen,
        List<Row> rows,
        String moons) {

    /** One spot. */
    public record Row(
            String distance,
            double metres,
            Coordinates spot,
            String at,
            String top,
            String clear,
            boolean covered,
            String tall,
            String why) {}

    /** Mark and body to one scale; the box is {@value #WIDTH} × {@value #HEIGHT}. */
    public record Picture(
            double markX,
            double markY,
            double markWidth,
            double markHeight,
            double ground,
            double bodyY,
            double bodyRadius,
            String bodyColour,
            String bar,
            double barWidth) {

        static final double WIDTH = 760;
        static final double HEIGHT = 400;

        private static final double POINT_RADIUS = 7;

        static Picture of(Spot spot, Mark mark, String body) {
            double moon = spot.bodyWidthDeg() > 0 ? spot.bodyWidthDeg() : LunarMonth.MEAN_WIDTH_DEG;
            double foot = spot.topDeg() - spot.markHeightDeg();
            double top = Math.max(spot.topDeg(), spot.bodyDeg() + moon / 2) + 0.8 * moon;
            double bottom = foot - 0.12 * (top - foot);
            double wide = Math.toDegrees(2 * Math.atan2(mark.widthM() / 2, spot.distanceM()));
            double perDeg = Math.min(HEIGHT / (top - bottom), WIDTH * 0.8 / Math.max(wide, moon));
            double y0 = HEIGHT - 0.12 * HEIGHT;
            return new Picture(
                    round(WIDTH / 2 - wide * perDeg / 2),
                    round(y0 - spot.markHeightDeg() * perDeg),
                    round(Math.max(1.5, wide * perDeg)),
                    round(Math.max(1, spot.markHeightDeg() * perDeg)),
                    round(y0),
                    round(y0 - (spot.bodyDeg() - foot) * perDeg),
                    round(spot.bodyWidthDeg() > 0 ? spot.bodyWidthDeg() / 2 * perDeg : POINT_RADIUS),
                    body.equals("moon") ? "#e9dcc0" : body.equals("sun") ? "#f3c06a" : "#e4814b",
                    perDeg > 200 ? "0.5\u00b0" : perDeg > 60 ? "1\u00b0" : "5\u00b0",
                    round(perDeg * (perDeg > 200 ? 0.5 : perDeg > 60 ? 1 : 5)));
        }

        private static double round(double value) {
            return Math.round(value * 10) / 10.0;
        }
    }

    public static StandView of(Place place, long markId, Mark mark, String body, StandForm asked) {
        StandingLine line = StandingLine.of(asked.target(), asked.when(), place.site(), mark, asked.footM());
        Moment moment = Moment.at(asked.when());
        double altitude = line.body().refractedAltitudeDeg();
        Optional<Spot> chosen = line.at(asked.distanceM());
        double width =
                line.body().semidiameterDeg() > 0 ? 2 * line.body().semidiameterDeg() : LunarMonth.MEAN_WIDTH_DEG;
        String lit = asked.target() == Body.MOON
                ? ", " + Words.percent(Illumination.of(Body.MOON, moment).fraction()) + " lit"
                : "";
        return new StandView(
                place,
                markId,
                mark,
                body,
                Words.shortDay(asked.when().atZone(place.zone()).toLocalDate()) + ", "
                        + Words.clock(asked.when(), place.zone()),
                Words.clock(asked.when(), ZoneOffset.UTC),
                Words.number(line.body().azimuthDeg(), 1) + "\u00b0 "
                        + Angles.compass(line.body().azimuthDeg()) + ", " + Words.number(altitude, 1) + "\u00b0 up"
                        + lit,
                altitude <= 0
                        ? "The " + body + " is down at that minute: " + Words.number(altitude, 1)
                                + "\u00b0. Move the time."
                        : null,
                chosen.map(s -> Picture.of(s, mark, body)).orElse(null),
                chosen.map(s -> row(s, "", width)).orElse(null),
                altitude <= 0 ? List.of() : rows(line, mark, asked, width),
                Words.trimmed(asked.part()));
    }

    private static List<Row> rows(StandingLine line, Mark mark, StandForm asked, double moonDeg) {
        List<Named> distances = new ArrayList<>();
        StandingLine.roundDistances().forEach(d -> distances.add(new Named(d, "")));
        OptionalDouble touching = line.touching();
        touching.ifPresent(d -> distances.add(new Named(d, "it stands on the top")));
        double tall = StandingLine.distanceForMoons(mark.heightM(), moonDeg, asked.part());
        if (Mark.DISTANCE.holds(tall) && tall <= 50_000) {
            distances.add(new Named(tall, "as tall as " + Words.trimmed(asked.part()) + " moons"));
        }
        return distances.stream()
                .sorted(Comparator.comparingDouble(Named::metres))
                .map(n -> row(line.at(n.metres).orElseThrow(), n.why, moonDeg))
                .toList();
    }

    private record Named(double metres, String why) {}

    private static Row row(Spot s, String why, double moonDeg) {
        double clear = s.clearDeg();
        return new Row(
                s.distanceM() < 9995
                        ? Words.number(s.distanceM(), 0) + " m"
                        : Words.number(s.distanceM() / 1000, 1) + " km",
                Math.round(s.distanceM() * 10) / 10.0,
                s.at(),
                coordinates(s.at()),
                Words.number(s.topDeg(), 2) + "\u00b0",
                Words.number(Math.abs(clear), 2) + "\u00b0 " + (clear < 0 ? "behind it" : "clear of it"),
                clear < 0,
                Words.number(s.markHeightDeg() / moonDeg, 1),
                why);
    }

    private static String coordinates(Coordinates at) {
        return Numbers.text("%.5f, %.5f", at.latitudeDeg(), at.longitudeDeg());
    }
}
