package dev.halfdusk.app.exchange;

import dev.halfdusk.core.measure.Range;
import java.util.OptionalDouble;

/** A named point in a file of places. */
public record Spot(String name, double latitudeDeg, double longitudeDeg, OptionalDouble elevationM) {

    public Spot {
        Range.LATITUDE.check(latitudeDeg);
        Range.LONGITUDE.check(longitudeDeg);
    }
}
