package dev.halfdusk.core.exposure;

import java.util.List;

/**
 * What a frame shows that should be otherwise, with what may have caused it: the likeliest first, each with the test that tells it from
 * the others and what is done about it. Order and tests are the craft's, to be argued with.
 */
public enum Symptom {
    TOO_DARK(
            "too dark",
            cause(
                    "the sky or subject is darker than thought",
                    "the peak of the histogram, not the screen: night eyes see screens too bright",
                    "the turns above"),
            cause("a filter or cap was left on", "look at the front", "take it off"),
            cause(
                    "the aperture is not where it was set",
                    "the figure in the file",
                    "set it again; tape a ring that turns"),
            cause("a low subject, thick air", "the same subject higher up is brighter", "wait, or a stop more")),
    TOO_BRIGHT(
            "too bright",
            cause(
                    "the meter was fooled by black ground or sky",
                    "it was not on manual",
                    "manual; or correct by the figures below"),
            cause(
                    "moon, town or twilight in the frame",
                    "one side is brighter, or it changes from frame to frame",
                    "turn away, wait, or darken"),
            cause("automatic ISO went up", "the figure in the file", "fix the ISO")),
    BURNT(
            "burnt: white without drawing",
            cause(
                    "lit rock or a lamp on black",
                    "the blinking marks cover the limb or lamps",
                    "the turns above; expose for what must keep its drawing"),
            cause("several bursts on top of each other", "each streak alone is fine", "a shorter shutter")),
    STREAKS(
            "stars drawn to lines",
            cause(
                    "the sky's drift",
                    "all lines along the sky's turn, longest at the corners away from the pole",
                    "the shorter shutter above"),
            cause(
                    "the tracker",
                    "lines of one direction all over, also near the pole",
                    "polar alignment and rate; balance; a shorter shutter"),
            cause(
                    "the camera moved",
                    "one odd shape everywhere, or every star twice",
                    "touch nothing, hang a weight, wait after the mirror"),
            cause("wind", "two positions, others sharp between gusts", "lower, a weight, the body as a windbreak")),
    SOFT(
            "soft",
            cause(
                    "depth at this aperture",
                    "something nearer or farther is sharp",
                    "focus there, stop down, or two frames"),
            cause("shutter against drift and hand", "soft in one direction only", "a shorter shutter"),
            cause("noise or lifted darkness", "grain at full size, edges are there", "more light, or more frames"),
            cause("focus mode", "it hunted, or is on automatic", "manual, magnified, tape the ring"),
            cause("focus on the wrong thing", "a lamp or branch is sharp", "a bright star at full magnification"),
            cause("technique", "every star twice, or a wobble", "delay, no stabiliser on a tripod, firm ground"),
            cause("air, dew", "it changes from frame to frame, or widens in time", "wait; wipe and warm the front"),
            cause("the lens", "always this one, at this aperture; always to one side", "stop down; have it set right")),
    CORNERS(
            "soft or winged in the corners",
            cause("coma and astigmatism wide open", "wings point outwards, the middle is sharp", "the aperture above"),
            cause(
                    "curvature of the field",
                    "corners sharp when focused anew, then not the middle",
                    "focus a third of the way out"),
            cause("tilt", "one side only", "check the mount and adapter")),
    NOISY(
            "too much noise",
            cause("too little light", "the peak stands at the left edge", "the turns above"),
            cause("lifted afterwards", "only the lifted shadows", "a frame for the ground; more frames"),
            cause("warm sensor, long shutter", "coloured dots at the same places", "dark frames")),
    FRAMING(
            "not framed as wanted",
            cause(
                    "aimed in the dark",
                    "level and edges in a short frame at high ISO",
                    "turn by tenths of the frame; then focus again"),
            cause("the subject goes on", "it has moved since", "aim where it will be")),
    PERSON_MOVED(
            "the person moved",
            cause("too long to hold still", "stars sharp, hair and hands not", "the shorter shutter above"),
            cause("swaying", "feet sharp, head not", "lean, sit, breathe out before")),
    CAR_LIGHT(
            "a car's light in the frame",
            cause(
                    "headlamps on the ground",
                    "one frame of several",
                    "take it again after the cars; keep the clean one"),
            cause("it flares in the lens", "spots opposite to the lamp", "shade the front with a hand, stand aside")),
    FOREGROUND_SOFT(
            "the foreground is soft",
            cause(
                    "focused on the stars",
                    "the stars are sharp",
                    "a frame of its own, focused nearer; or the hyperfocal distance"),
            cause("it moves", "grass and water only", "a shorter frame at higher ISO")),
    HAZE(
            "veiled, grey",
            cause(
                    "moist air or smoke",
                    "stars are few and large low down, few clouds in the band",
                    "higher up, another night"),
            cause("dew on the front", "it grew from frame to frame", "wipe, warm, heater band"),
            cause("light into the lens", "a lamp or the moon just outside of the frame", "hood, hand, turn")),
    SPARKS_EATEN(
            "sparks or small stars are missing",
            cause("noise reduction of high ISO", "not in the raw file", "switch it off, or develop the raw file"),
            cause("shutter closed early", "streaks end abruptly", "close when it has faded"),
            cause("too dark an aperture", "thin streaks are missing, thick ones there", "a stop wider")),
    METER_FOOLED(
            "the meter was fooled",
            cause("a small bright thing on black", "it is burnt, the rest grey", "the correction below"),
            cause("a dark thing before brightness", "it is a silhouette", "the correction below")),
    LINES(
            "lines across the sky",
            cause("aircraft", "dotted or with coloured lamps", "leave the frame out of the stack"),
            cause("satellite", "even, one or two frames", "leave it out, or keep it"),
            cause("meteor", "one frame, both ends fade", "keep it"),
            cause("hot pixels", "the same places in all frames", "dark frames"));

    /**
     * What may have caused it.
     *
     * @param tells what is seen where it did
     * @param remedy what is done about it
     */
    public record Cause(String what, String tells, String remedy) {}

    private final String words;
    private final List<Cause> causes;

    Symptom(String words, Cause... causes) {
        this.words = words;
        this.causes = List.of(causes);
    }

    private static Cause cause(String what, String tells, String remedy) {
        return new Cause(what, tells, remedy);
    }

    public String words() {
        return words;
    }

    /** The likeliest first. */
    public List<Cause> causes() {
        return causes;
    }
}
