package dev.halfdusk.core.log;

import dev.halfdusk.core.eclipse.EclipseLadder;
import dev.halfdusk.core.measure.Field;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.optics.Stops;
import java.util.List;
import java.util.OptionalDouble;

/**
 * A frame on film, which writes nothing down by itself.
 *
 * @param roll as it is marked
 * @param number on the roll
 * @param stock generic, such as "black and white, 400"
 * @param meteredSeconds what the meter said, at that aperture
 * @param givenSeconds how long it was open
 * @param bracketStops brighter than the proper one
 * @param lab what came back
 */
public record FilmFrame(
        String roll,
        int number,
        String stock,
        double iso,
        double aperture,
        OptionalDouble meteredSeconds,
        double givenSeconds,
        String time,
        double bracketStops,
        boolean kept,
        String lab) {

    private static final Range NUMBER = new Range("frame", 0, 99, "");

    public static final Shape<FilmFrame> SHAPE = new Shape<>(
            "film",
            "frame on film",
            List.of(
                    Field.<FilmFrame>words("roll", "Roll", FilmFrame::roll).hinted("as you marked it"),
                    Field.<FilmFrame>whole("number", "Frame", NUMBER, FilmFrame::number)
                            .starting(1),
                    Field.<FilmFrame>words("stock", "Stock", FilmFrame::stock).hinted("such as negative, 400"),
                    Field.<FilmFrame>number("iso", "ISO", Range.ISO, FilmFrame::iso)
                            .starting(400),
                    Field.<FilmFrame>number("aperture", "Aperture f/", Range.APERTURE, FilmFrame::aperture)
                            .starting(8),
                    Field.<FilmFrame>number("meteredSeconds", "Metered, s", Range.SHUTTER, FilmFrame::meteredSeconds)
                            .hinted("empty: not metered")
                            .orNone(),
                    Field.<FilmFrame>number("givenSeconds", "Given, s", Range.SHUTTER, FilmFrame::givenSeconds),
                    Field.<FilmFrame>words("time", "Clock", FilmFrame::time).hinted("such as 22:41"),
                    Field.<FilmFrame>number(
                                    "bracketStops", "Bracket, stops", EclipseLadder.BRIGHTER, FilmFrame::bracketStops)
                            .usually(0.0)
                            .hinted("brighter; negative: darker")
                            .starting(0),
                    Field.yesNo("kept", "This one was kept", FilmFrame::kept),
                    Field.<FilmFrame>words("lab", "From the lab", FilmFrame::lab)
                            .hinted("thin, dense, colour")),
            v -> new FilmFrame(
                    v.text("roll"),
                    v.whole("number"),
                    v.text("stock"),
                    v.number("iso"),
                    v.number("aperture"),
                    v.maybe("meteredSeconds"),
                    v.number("givenSeconds"),
                    v.text("time"),
                    v.number("bracketStops"),
                    v.yes("kept"),
                    v.text("lab")));

    /** Stops by which it was given more than the meter said; empty where it was not metered. */
    public OptionalDouble moreThanMetered() {
        return meteredSeconds.isPresent()
                ? OptionalDouble.of(Stops.of(givenSeconds / meteredSeconds.getAsDouble()))
                : OptionalDouble.empty();
    }
}
