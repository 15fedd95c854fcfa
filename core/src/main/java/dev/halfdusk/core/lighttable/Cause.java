package dev.halfdusk.core.lighttable;

/** What may be wrong with a frame, or that nothing is. */
public enum Cause {
    GOOD("Good: go on"),
    CANNOT_JUDGE("Cannot be judged"),
    DRIFT("The stars are lines: the shutter is open too long"),
    ROTATION("The stars turn about a point: the tracker's axis"),
    TRACKING("The stars are lines all one way: the tracker"),
    SHAKE("The camera moved"),
    KNOCK("Every star stands twice: wind or a touch"),
    FOCUS("It is soft all over: focus"),
    CURVATURE("The corners are wide: curvature of the field"),
    COMA("The corners are winged: coma, wide open"),
    TILT("One side is soft: the lens is tilted, or focused on one side"),
    TOO_DARK("Too dark"),
    TOO_BRIGHT("Too bright"),
    BURNT("Too much of it is burnt"),
    TINT("The sky has a tint"),
    AIM("It looks elsewhere than planned"),
    LEVEL("It is not level"),
    CLOCK("The camera's clock is wrong"),
    LATE("Opened late: bursts had broken already"),
    EARLY("Closed early: the streaks are cut off"),
    CROWDED("Bursts lie over each other"),
    SMOKE("Smoke dims it"),
    DEPTH("The ground is soft and the stars are not: depth"),
    MOVED("It stands twice: someone moved"),
    STRAY("Car lights run through it"),
    HALATION("Lamps are ringed with red: halation"),
    BANDING("The sky is banded"),
    BEHIND("It is sharp behind the mark"),
    BEFORE("It is sharp before the mark");

    private final String words;

    Cause(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
