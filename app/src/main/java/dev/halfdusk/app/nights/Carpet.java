package dev.halfdusk.app.nights;

import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.glow.SkyColour;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.night.YearOfNights;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javax.imageio.ImageIO;

/**
 * A year as a picture: a column for each night, top to bottom by the clock on the wall, the colour of the computed sky,
 * and a warm light where the core stands in it. By wall clock, so that daylight saving shows as the step it is.
 *
 * @param firstMinute minutes after noon of the topmost row
 * @param rows ten minutes each
 */
public record Carpet(int firstMinute, int rows, List<Label> hours, List<Label> months) {

    private static final int ROW_MINUTES = 10;
    private static final int ROWS_IN_A_DAY = 144;
    private static final int MARGIN_ROWS = 5;
    private static final double FULL_CONTRAST = 85;

    /** A word at a share of the height or width, in percent. */
    public record Label(String at, String text) {}

    /** The shape of a year's carpet: cut to the hours in which the sun goes down anywhere in it. */
    public static Carpet of(YearOfNights year) {
        int first = ROWS_IN_A_DAY;
        int last = -1;
        for (int night = 0; night < year.nights(); night++) {
            for (int i = year.start(night); i < year.start(night + 1); i++) {
                if (year.sunAltitudeDeg(i) < -0.8) {
                    int row = row(year, night, i);
                    first = Math.min(first, row);
                    last = Math.max(last, row);
                }
            }
        }
        if (last < 0) {
            first = 0;
            last = ROWS_IN_A_DAY - 1;
        }
        first = Math.max(0, first - MARGIN_ROWS);
        last = Math.min(ROWS_IN_A_DAY - 1, last + MARGIN_ROWS);
        return new Carpet(first * ROW_MINUTES, last - first + 1, hours(first, last), months(year));
    }

    /** Row by the wall clock; only nights in which the clocks change need more than counting. */
    private static int row(YearOfNights year, int night, int sample) {
        int counted = sample - year.start(night);
        if (plain(year, night)) {
            return counted;
        }
        LocalDateTime wall = year.instant(sample).atZone(year.zone()).toLocalDateTime();
        long minutes =
                Duration.between(year.date(night).atTime(LocalTime.NOON), wall).toMinutes();
        return (int) Math.max(0, Math.min(ROWS_IN_A_DAY - 1, minutes / ROW_MINUTES));
    }

    private static boolean plain(YearOfNights year, int night) {
        return year.start(night + 1) - year.start(night) == ROWS_IN_A_DAY;
    }

    private static List<Label> hours(int first, int last) {
        List<Label> labels = new ArrayList<>();
        for (int hour = 0; hour < 24; hour++) {
            int row = hour * 60 / ROW_MINUTES;
            if (row >= first && row <= last && (hour + 12) % 2 == 1) {
                labels.add(new Label(percent(row - first, last - first + 1), Numbers.text("%02d", (hour + 12) % 24)));
            }
        }
        return List.copyOf(labels);
    }

    private static List<Label> months(YearOfNights year) {
        List<Label> labels = new ArrayList<>();
        for (int night = 0; night < year.nights(); night++) {
            LocalDate date = year.date(night);
            if (date.getDayOfMonth() == 1 && night < year.nights() - 15) {
                labels.add(new Label(
                        percent(night, year.nights()),
                        date.getMonth().getDisplayName(TextStyle.SHORT, Locale.ENGLISH)));
            }
        }
        return List.copyOf(labels);
    }

    private static String percent(int part, int whole) {
        return Words.number(100.0 * part / whole, 2) + "%";
    }

    /** Where a night stands across, in percent. */
    public static String across(YearOfNights year, int night) {
        return Words.number(100.0 * (night + 0.5) / year.nights(), 2) + "%";
    }

    /** The picture, a pixel for each night and ten minutes; the page stretches it. */
    public byte[] png(YearOfNights year, SkyGlow glow) {
        BufferedImage image = new BufferedImage(year.nights(), rows, BufferedImage.TYPE_INT_RGB);
        for (int night = 0; night < year.nights(); night++) {
            paint(image, year, glow, night);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream(1 << 16);
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private void paint(BufferedImage image, YearOfNights year, SkyGlow glow, int night) {
        for (int row = 0; row < rows; row++) {
            int counted = firstMinute / ROW_MINUTES + row;
            int sample = plain(year, night) ? year.start(night) + counted : byClock(year, night, counted);
            image.setRGB(night, row, colour(year, glow, sample));
        }
    }

    /** The sample of a row in a night with a change of clocks; an hour that does not exist shows what follows it. */
    private static int byClock(YearOfNights year, int night, int row) {
        long instant = year.date(night)
                .atTime(LocalTime.NOON)
                .plusMinutes((long) row * ROW_MINUTES)
                .atZone(year.zone())
                .toEpochSecond();
        long sinceNoon = instant - year.instant(year.start(night)).getEpochSecond();
        int sample = year.start(night) + (int) (sinceNoon / YearOfNights.STEP.toSeconds());
        return Math.max(year.start(night), Math.min(year.start(night + 1) - 1, sample));
    }

    private static int colour(YearOfNights year, SkyGlow glow, int i) {
        int sky = SkyColour.of(year.sunAltitudeDeg(i), glow.zenith(year.lamps(i)));
        return SkyColour.withCore(sky, Math.min(1, year.contrastPercent(i) / FULL_CONTRAST));
    }
}
