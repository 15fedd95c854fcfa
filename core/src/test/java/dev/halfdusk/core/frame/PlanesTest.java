package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import org.junit.jupiter.api.Test;

/** Sizes that no picture of other tests has, which may run beside it. */
class PlanesTest {

    @Test
    void what_is_done_with_is_there_again_and_dark() {
        float[] plane = Planes.dark(1237);
        Arrays.fill(plane, 3);
        Planes.done(plane);
        assertThat(Planes.dark(1237)).containsOnly(0).hasSize(1237);
        float[] other = Planes.dark(1237);
        Planes.done(other);
        assertThat(Planes.dark(1238)).hasSize(1238).isNotSameAs(other);
    }

    /** Else two pictures would be painted on one. */
    @Test
    void nobody_gets_what_another_has() {
        float[] a = Planes.dark(1239);
        float[] b = Planes.dark(1239);
        assertThat(a).isNotSameAs(b);
        Planes.done(a, b);
        float[] c = Planes.dark(1239);
        float[] d = Planes.dark(1239);
        assertThat(c).isNotSameAs(d);
    }

    /** A full frame's would be 96 MB each. */
    @Test
    void large_ones_are_not_kept() {
        float[] plane = Planes.dark((1 << 20) + 7);
        Planes.done(plane);
        assertThat(Planes.dark((1 << 20) + 7)).isNotSameAs(plane);
    }
}
