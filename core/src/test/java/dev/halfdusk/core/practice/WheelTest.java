package dev.halfdusk.core.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Every position of the dials that an outfit has, as they are engraved. */
class WheelTest {

    private final Outfit zoom = Outfit.of(Outfit.SensorSize.FULL, 24, 70, 2.8);

    private List<String> labels(Control control) {
        return zoom.wheel(control).positions().stream()
                .map(Wheel.Position::label)
                .toList();
    }

    private static String first(Outfit outfit, Control control) {
        Wheel w = outfit.wheel(control);
        return w.positions().get(w.start()).label();
    }

    @Test
    void compensation_goes_by_thirds_to_five_stops_either_way() {
        assertThat(labels(Control.COMPENSATION))
                .containsExactly(("\u22125 \u22124\u2154 \u22124\u2153 \u22124 \u22123\u2154 \u22123\u2153 \u22123"
                                + " \u22122\u2154 \u22122\u2153 \u22122 \u22121\u2154 \u22121\u2153 \u22121 \u2212\u2154"
                                + " \u2212\u2153 0 +\u2153 +\u2154 +1 +1\u2153 +1\u2154 +2 +2\u2153 +2\u2154 +3 +3\u2153"
                                + " +3\u2154 +4 +4\u2153 +4\u2154 +5")
                        .split(" "));
        assertThat(zoom.wheel(Control.COMPENSATION).positions())
                .extracting(Wheel.Position::value)
                .startsWith(-5.0)
                .endsWith(5.0);
        assertThat(first(zoom, Control.COMPENSATION)).isEqualTo("0");
    }

    @Test
    void balance_is_automatic_or_in_kelvin() {
        assertThat(labels(Control.BALANCE))
                .containsExactly(
                        "automatic",
                        "2800 K",
                        "3200 K",
                        "3500 K",
                        "3800 K",
                        "4000 K",
                        "4500 K",
                        "5000 K",
                        "5500 K",
                        "6500 K",
                        "7500 K");
        assertThat(zoom.wheel(Control.BALANCE).positions().get(5).value()).isEqualTo(4000);
    }

    /** Four millimetres in tenths, from what is near to the stop; the printed mark stands 1.2 mm before it. */
    @Test
    void the_ring_counts_the_millimetres_before_its_stop() {
        assertThat(labels(Control.FOCUS))
                .hasSize(41)
                .startsWith("4.0 mm", "3.9 mm")
                .endsWith("0.2 mm", "0.1 mm", "stop")
                .containsSubsequence("1.3 mm", "\u221e mark", "1.1 mm");
        Wheel ring = zoom.wheel(Control.FOCUS);
        for (int i = 0; i <= 40; i++) {
            assertThat(ring.positions().get(i).value()).isCloseTo(4 - i / 10.0, within(1e-9));
        }
        assertThat(first(zoom, Control.FOCUS)).isEqualTo("\u221e mark");
    }

    /** Twelve clicks of the same ratio, (70/24)^(1/12) = 1.0933, each to a whole millimetre. */
    @Test
    void a_zoom_turns_in_even_ratios_and_a_prime_not_at_all() {
        assertThat(labels(Control.ZOOM))
                .containsExactly("24", "26", "29", "31", "34", "37", "41", "45", "49", "54", "59", "64", "70");
        assertThat(Outfit.of(Outfit.SensorSize.FULL, 50, 50, 1.8)
                        .wheel(Control.ZOOM)
                        .positions())
                .extracting(Wheel.Position::label)
                .containsExactly("50");
        // where a click is less than a millimetre, each millimetre once
        assertThat(Outfit.of(Outfit.SensorSize.FULL, 11, 16, 2.8)
                        .wheel(Control.ZOOM)
                        .positions())
                .extracting(Wheel.Position::label)
                .containsExactly("11", "12", "13", "14", "15", "16");
    }

    /** A frame of 35.9 mm behind 24 mm is 73.6° wide: forty clicks to it, and two frames either way. */
    @Test
    void the_aim_turns_by_fortieths_of_a_frame() {
        List<Wheel.Position> all = zoom.wheel(Control.SIDEWAYS).positions();
        double width = Math.toDegrees(2 * Math.atan(35.9 / 2 / 24));
        assertThat(all).hasSize(161);
        assertThat(all.get(0).value()).isCloseTo(-2 * width, within(1e-6));
        assertThat(all.get(80).value()).isCloseTo(0, within(1e-9));
        assertThat(all.get(80).label()).isEqualTo("0\u00b0");
        assertThat(all.get(81).value()).isCloseTo(width / 40, within(1e-6));
        assertThat(all.get(81).label()).isEqualTo("+1.84\u00b0");
        assertThat(all.get(79).label()).isEqualTo("\u22121.84\u00b0");
        assertThat(all.get(160).value()).isCloseTo(2 * width, within(1e-6));
        assertThat(first(zoom, Control.SIDEWAYS)).isEqualTo("0\u00b0");
    }

    @Test
    void even_steps_hold_both_their_ends() {
        assertThat(labels(Control.INTERVAL))
                .hasSize(80)
                .startsWith("1 s", "2 s")
                .endsWith("80 s");
        assertThat(labels(Control.STROKES)).hasSize(21).startsWith("0", "1").endsWith("20");
        assertThat(labels(Control.ROLL))
                .hasSize(41)
                .startsWith("\u221210\u00b0", "\u22129.5\u00b0")
                .endsWith("+10\u00b0");
        assertThat(first(zoom, Control.INTERVAL)).isEqualTo("1 s");
    }

    @Test
    void the_nearest_is_counted_in_stops_where_the_dial_is_and_is_never_the_automatic() {
        Wheel shutter = zoom.wheel(Control.SHUTTER);
        assertThat(shutter.positions().get(shutter.nearest(0.7)).label()).isEqualTo("0.6");
        assertThat(shutter.positions().get(shutter.nearest(1e9)).label()).isEqualTo("30");
        Wheel iso = zoom.wheel(Control.ISO);
        assertThat(iso.positions().get(iso.nearest(1)).label()).isEqualTo("100");
        assertThat(iso.positions().get(iso.nearest(1e9)).label()).isEqualTo("51200");
        Wheel ring = zoom.wheel(Control.FOCUS);
        assertThat(ring.nearest(0.04)).isEqualTo(40);
        assertThat(ring.nearest(0.06)).isEqualTo(39);
        // of two that are as near the first
        Wheel strokes = zoom.wheel(Control.STROKES);
        assertThat(strokes.nearest(2.5)).isEqualTo(2);
    }

    @Test
    void few_positions_are_named_in_a_refusal_and_of_many_the_ends() {
        assertThat(zoom.wheel(Control.TIMER).allowed()).isEqualTo("off, 2 s, 10 s");
        assertThat(zoom.wheel(Control.BALANCE).allowed())
                .startsWith("automatic, 2800 K")
                .endsWith("7500 K");
        assertThat(zoom.wheel(Control.ZOOM).allowed()).isEqualTo("it goes from 24 to 70");
    }

    @Test
    void an_outfit_is_named_by_what_it_is() {
        assertThat(Stream.of(zoom, Outfit.of(Outfit.SensorSize.APS, 50, 50, 1.8))
                        .map(Outfit::name))
                .containsExactly("full frame, 24\u201370 mm f/2.8", "APS-C, 50 mm f/1.8");
    }
}
