package dev.halfdusk.core.practice;

/**
 * What came of the frames so far.
 *
 * @param missed number of the first thing wanted that is not so; −1 for none
 * @param said what was measured for it
 * @param hint at one thing only; empty where nothing is amiss
 * @param more frames that are still to be taken
 */
public record Verdict(boolean passed, int missed, String said, String hint, int more) {

    static final Verdict NOTHING = new Verdict(false, -1, "", "", 0);
}
