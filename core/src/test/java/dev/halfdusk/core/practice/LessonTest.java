package dev.halfdusk.core.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Film;
import dev.halfdusk.core.lighttable.Cause;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Support;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a lesson's file says, and with which own camera it can be taken. */
class LessonTest {

    private static final String ALL = """
            title: A title
            part: A part
            scene: core-ridge
            kit: {sensor: aps, mm: 16, to: 35, widest: 4, ownFrom: 20, ownTo: 50}
            start: {aperture: 5.6, shutter: 10, iso: 400, stabiliser: on}
            turn: [iso, timer]
            frames: 2
            look: full size
            hand: filter
            caution: Mind the edge.
            task: To do.
            why: Learned.
            wants:
              - {of: peak, least: 0.17, most: 0.4, over: each, hint: "One"}
              - {of: cause, not: [drift, too-dark], hint: "Two"}
            schools:
              - {name: at once, set: {iso: 3200, timer: off}}
              - {name: one after the other, frames: [{iso: 800}, {iso: 1600}], held: {before: 1, after: 2}}
            mistakes:
              - {name: none, hint: 2, open: {after: 3, before: 4}}
              - {name: nothing}
            """;

    private static Lesson read(String yaml) {
        return Lesson.read("key", yaml);
    }

    @Test
    void a_file_says_all_of_it() {
        Lesson l = read(ALL);
        assertThat(List.of(l.key(), l.title(), l.part(), l.stage(), l.task(), l.why()))
                .containsExactly("key", "A title", "A part", "core-ridge", "To do.", "Learned.");
        assertThat(l.caution()).hasValue("Mind the edge.");
        assertThat(l.outfit().name()).isEqualTo("APS-C, 16\u201335 mm f/4");
        assertThat(l.ownFocal().orElseThrow()).containsExactly(20, 50);
        assertThat(l.start()).isEqualTo(Map.of("aperture", "5.6", "shutter", "10", "iso", "400", "stabiliser", "on"));
        assertThat(l.turned()).containsExactly(Control.ISO, Control.TIMER);
        assertThat(l.frames()).isEqualTo(2);
        assertThat(l.atFullSize()).isTrue();
        assertThat(l.hand()).isEqualTo(Lesson.Hand.FILTER);
        assertThat(l.wants()).hasSize(2);
        assertThat(l.wants().get(0))
                .isEqualTo(new Want(
                        "peak", Want.Over.EACH, OptionalDouble.of(0.17), OptionalDouble.of(0.4), List.of(), "One"));
        assertThat(l.wants().get(1).not()).containsExactly(Cause.DRIFT, Cause.TOO_DARK);
        Lesson.Tried once = l.schools().get(0);
        assertThat(once.sets()).containsExactly(Map.of("iso", "3200", "timer", "off"));
        assertThat(once.held()).isEmpty();
        assertThat(once.open()).isEmpty();
        assertThat(once.hint()).isEqualTo(-1);
        Lesson.Tried two = l.schools().get(1);
        assertThat(two.sets()).containsExactly(Map.of("iso", "800"), Map.of("iso", "1600"));
        assertThat(two.held().orElseThrow()).containsExactly(1, 2);
        assertThat(l.mistakes().get(0).open().orElseThrow()).containsExactly(3, 4);
        assertThat(l.mistakes().get(0).hint()).isEqualTo(1);
        assertThat(l.mistakes().get(1).hint())
                .as("the first, where it says none")
                .isZero();
        assertThat(l.mistakes().get(1).sets()).containsExactly(Map.of());
    }

    @Test
    void a_short_file_has_the_usual() {
        Lesson l = read("""
                title: T
                part: P
                scene: s
                kit: {}
                task: D
                why: W
                """);
        assertThat(l.outfit().name()).isEqualTo("full frame, 24 mm f/2.8");
        assertThat(l.ownFocal()).isEmpty();
        assertThat(l.start()).isEmpty();
        assertThat(l.turned()).isEmpty();
        assertThat(l.frames()).isEqualTo(1);
        assertThat(l.atFullSize()).isFalse();
        assertThat(l.hand()).isEqualTo(Lesson.Hand.PRESS);
        assertThat(l.caution()).isEmpty();
        assertThatThrownBy(() -> read("title: T")).hasMessage("key has no kit");
        assertThatThrownBy(() -> read("kit: {}")).hasMessage("key: title is missing");
        assertThatThrownBy(() -> read("[]")).hasMessage("key describes nothing");
        assertThatThrownBy(() -> read(ALL.replace("mm: 16", "mm: wide"))).hasMessage("key, kit: mm is wide");
        assertThatThrownBy(() -> read("kit: 3")).hasMessage("key: kit is 3");
    }

    @Test
    void film_in_it_has_its_own_name() {
        Lesson l = read(ALL.replace("widest: 4,", "widest: 4, film: 400, exponent: 1.2,"));
        assertThat(l.outfit().name()).isEqualTo("ISO 400 film, 16 mm");
        assertThat(l.outfit().film()).hasValue(new Film(400, 1.2));
        assertThat(l.outfit().wheel(Control.ISO).positions()).hasSize(1);
    }

    private static Rig rig(double shortest, double longest, boolean electronic, double filterStops) {
        return new Rig(
                CameraBody.generic(Sensor.of(23.5, 15.6, 6000), Dial.HALF, 6400),
                new Lens(
                        shortest,
                        longest,
                        4,
                        4,
                        22,
                        Projection.RECTILINEAR,
                        0.8,
                        electronic,
                        400,
                        OptionalDouble.empty()),
                1,
                filterStops,
                Support.TRIPOD);
    }

    /** It must reach into 20 to 50 mm, let the body set its aperture, and have no solar filter on it. */
    @ParameterizedTest
    @CsvSource({
        "20, 50, true, 0, true",
        "24, 24, true, 0, true",
        "10, 20, true, 0, true",
        "10, 19, true, 0, false",
        "50, 70, true, 0, true",
        "51, 70, true, 0, false",
        "24, 24, false, 0, false",
        "24, 24, true, 16, false"
    })
    void an_own_rig_must_fit(double shortest, double longest, boolean electronic, double filter, boolean fits) {
        Lesson l = read(ALL.replace(", not: [drift, too-dark]", ", not: [" + Cause.values()[0] + "]"));
        assertThat(l.fits(rig(shortest, longest, electronic, filter))).isEqualTo(fits);
        assertThat(read(ALL.replace(", not: [drift, too-dark]", ", not: [" + Cause.values()[0] + "]")
                                .replace(", ownFrom: 20, ownTo: 50", ""))
                        .fits(rig(24, 24, true, 0)))
                .isFalse();
    }

    /** What may not be turned stays as it was; an own camera begins at the click that is nearest. */
    @Test
    void only_what_may_be_turned_is() {
        Lesson l = read(ALL.replace(", not: [drift, too-dark]", ", not: [" + Cause.values()[0] + "]"));
        Dials wanted = l.begin(l.outfit()).with(Map.of("iso", "3200", "shutter", "30", "timer", "10 s"));
        Dials allowed = l.allowed(wanted);
        assertThat(allowed.label(Control.ISO)).isEqualTo("3200");
        assertThat(allowed.label(Control.TIMER)).isEqualTo("10 s");
        assertThat(allowed.label(Control.SHUTTER)).isEqualTo("10");
        Outfit own = Outfit.of("Own", rig(24, 24, true, 0), Optional.empty());
        Dials begun = read(ALL.replace(", not: [drift, too-dark]", ", not: [" + Cause.values()[0] + "]")
                        .replace("shutter: 10,", "shutter: 13,"))
                .begin(own);
        assertThat(begun.value(Control.SHUTTER)).as("of 8, 11.3 and 16 s").isCloseTo(11.31, within(0.01));
        assertThat(begun.on(Control.STABILISER)).isTrue();
    }
}
