package dev.halfdusk.core.sky;

/**
 * A number in degrees that the sky has at each moment. {@link Events} finds when it passes zero. It may jump by a whole
 * turn (an azimuth does); such jumps are not taken for events.
 */
@FunctionalInterface
public interface Fact {

    double at(Moment moment);

    /** The same, counted from another level. */
    default Fact above(double levelDeg) {
        return moment -> at(moment) - levelDeg;
    }
}
