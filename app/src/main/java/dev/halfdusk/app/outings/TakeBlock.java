package dev.halfdusk.app.outings;

import dev.halfdusk.app.pictures.Block;
import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.outing.Slot;

/**
 * A take on the night's ribbon.
 *
 * @param minute of its opening, after noon
 * @param lasts minutes
 * @param label inside the block or beside it, as far as there is room
 * @param beside whether the label stands to the right of it
 */
record TakeBlock(
        long id,
        String number,
        String name,
        Block before,
        Block runs,
        int minute,
        long lasts,
        String label,
        boolean beside,
        boolean chosen,
        boolean held,
        boolean stretches) {

    /** Of a ribbon as wide as it usually is, and a letter of it, pixels. */
    private static final double WIDTH = 1080;

    private static final double LETTER = 7.2;
    private static final double MARGIN = 14;

    /** A name cut shorter tells less than its number. */
    private static final int FEWEST = 8;

    /** @param roomTo share of the ribbon at which the next block of the lane begins */
    static TakeBlock of(
            OutingPlanner.Planned take,
            Slot slot,
            int number,
            Night night,
            Ribbon ribbon,
            double roomTo,
            boolean chosen) {
        Block runs = Block.of(ribbon, night, slot.runs(), "", "light");
        String name = slot.name();
        double inside = percent(runs.width()) * WIDTH;
        double after = (roomTo - percent(runs.x()) - percent(runs.width())) * WIDTH;
        double wanted = (name.length() + 2) * LETTER + MARGIN;
        boolean beside = wanted > inside && after > inside;
        String label = number + " " + name;
        int letters = (int) ((Math.max(inside, after) - MARGIN) / LETTER);
        String fitting = letters >= label.length()
                ? label
                : letters >= FEWEST ? label.substring(0, letters - 1).strip() + "\u2026" : Integer.toString(number);
        return new TakeBlock(
                take.id(),
                Integer.toString(number),
                name,
                Block.of(ribbon, night, slot.prepares(), "", "before"),
                runs,
                night.minute(slot.runs().from()),
                slot.runs().length().toMinutes(),
                fitting,
                beside,
                chosen,
                take.stored().take().pinned().isPresent(),
                take.take().subject().lasting(slot.runs().length(), take.plan()).isPresent());
    }

    static double percent(String share) {
        return Double.parseDouble(share.replace("%", "")) / 100;
    }
}
