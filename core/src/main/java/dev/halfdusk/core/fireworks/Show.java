package dev.halfdusk.core.fireworks;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/** How large a display is, for who knows no shells. */
public enum Show {
    GARDEN("garden, batteries of tubes", List.of(20, 30, 50), 1.5),
    VILLAGE("village", List.of(75, 100), 2.5),
    TOWN("town", List.of(75, 100, 125, 150), 1.6),
    LARGE("large show", List.of(100, 150, 200, 250), 0.9);

    private final String words;
    private final List<Integer> shells;
    private final double everySeconds;

    Show(String words, List<Integer> shells, double everySeconds) {
        this.words = words;
        this.shells = shells;
        this.everySeconds = everySeconds;
    }

    public String words() {
        return words;
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** From the smallest to the largest. */
    public List<Shell> shells() {
        return shells.stream().map(mm -> Shell.of(mm)).toList();
    }

    public Shell largest() {
        return Shell.of(shells.get(shells.size() - 1));
    }

    /** The smallest that has such a shell. */
    public static Show upTo(Shell shell) {
        return Arrays.stream(values())
                .filter(s -> s.largest().mm() >= shell.mm())
                .findFirst()
                .orElse(LARGE);
    }

    /** Between two shells of its body, on the average; a third of it in the finale. */
    public double everySeconds() {
        return everySeconds;
    }
}
