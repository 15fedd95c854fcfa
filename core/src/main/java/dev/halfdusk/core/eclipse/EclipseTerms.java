package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.eclipse.FilterWindow.Margins;
import dev.halfdusk.core.measure.Field;
import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.weather.WeatherHour;
import java.util.List;

/**
 * On which an eclipse of the sun is photographed, with whatever cameras.
 *
 * @param margins between the contacts and the filters
 * @param celsius of the air on the day
 */
public record EclipseTerms(Margins margins, double celsius) {

    /** The least margins, on a mild day. */
    public static final EclipseTerms USUAL = new EclipseTerms(Margins.LEAST, 20);

    public static final Shape<EclipseTerms> SHAPE = new Shape<>(
            "eclipse-terms",
            "terms of an eclipse",
            List.of(
                    Field.<EclipseTerms>number(
                                    "afterC2Seconds",
                                    "Filters off after C2, s",
                                    Margins.AFTER_C2,
                                    t -> t.margins.afterC2())
                            .hinted(Margins.AFTER_C2.allowed() + ": can only be widened")
                            .usually(Margins.LEAST.afterC2()),
                    Field.<EclipseTerms>number(
                                    "beforeC3Seconds",
                                    "Filters on before C3, s",
                                    Margins.BEFORE_C3,
                                    t -> t.margins.beforeC3())
                            .hinted(Margins.BEFORE_C3.allowed() + ": can only be widened")
                            .usually(Margins.LEAST.beforeC3()),
                    Field.<EclipseTerms>number(
                                    "celsius", "Air, \u00b0C", WeatherHour.TEMPERATURE, EclipseTerms::celsius)
                            .hinted("batteries last by it")
                            .usually(USUAL.celsius)),
            v -> new EclipseTerms(
                    new Margins(v.number("afterC2Seconds"), v.number("beforeC3Seconds")), v.number("celsius")));

    /** @throws dev.halfdusk.core.measure.OutOfRange for air that nobody works in */
    public EclipseTerms {
        WeatherHour.TEMPERATURE.check(celsius);
    }
}
