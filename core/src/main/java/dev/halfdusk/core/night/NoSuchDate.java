package dev.halfdusk.core.night;

import java.time.LocalDate;
import java.time.ZoneId;

/** A date that clocks passed over: a country that changes sides of the date line has one day less. */
public final class NoSuchDate extends IllegalArgumentException {

    public NoSuchDate(LocalDate date, ZoneId zone) {
        super("there was no " + date + " by the clocks of " + zone
                + ": they went from the day before to the day after");
    }
}
