package dev.halfdusk.app.outings;

import java.time.Instant;
import java.util.List;
import org.springframework.lang.Nullable;

/**
 * A line of the run sheet, as it is given to other programs.
 *
 * @param take to which it belongs; null for none
 * @param act whether it asks for something to be done
 */
public record SheetLine(Instant utc, @Nullable String take, String what, boolean act) {

    static List<SheetLine> of(List<SheetWords.Line> sheet) {
        return sheet.stream()
                .map(l -> new SheetLine(l.when(), l.take().isEmpty() ? null : l.take(), l.what(), l.act()))
                .toList();
    }
}
