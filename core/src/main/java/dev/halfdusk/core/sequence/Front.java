package dev.halfdusk.core.sequence;

/** What stands before the lens while a frame is taken. */
public enum Front {
    OPEN,
    /** A solar filter, whatever it is made of. */
    FILTER,
    /** The cap, for dark frames. */
    CAP
}
