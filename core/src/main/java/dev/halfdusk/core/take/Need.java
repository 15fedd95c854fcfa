package dev.halfdusk.core.take;

/** What a subject asks of the sky while its shutter is open. */
public enum Need {
    /** No twilight. */
    DARK,
    /** The moon is down. */
    NO_MOON,
    /** The core stands above the skyline. */
    SIGHT,
    /** The moon stands above the skyline. */
    MOON
}
