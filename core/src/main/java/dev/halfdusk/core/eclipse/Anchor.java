package dev.halfdusk.core.eclipse;

import java.util.Locale;

/** What the times of a script are counted from. */
public enum Anchor {
    C1,
    C2,
    MAX,
    C3,
    C4;

    /** As the contacts of a place are named: "c2". */
    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** On a page: "C2", "maximum". */
    public String words() {
        return this == MAX ? "maximum" : name();
    }
}
