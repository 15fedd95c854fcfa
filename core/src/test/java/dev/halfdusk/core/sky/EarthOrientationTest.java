package dev.halfdusk.core.sky;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Vector;
import java.util.Random;
import org.jastronomy.jsofa.JSOFA;
import org.junit.jupiter.api.Test;

class EarthOrientationTest {

    private static final double ARCSEC = Math.toRadians(1 / 3600.0);

    @Test
    void interpolated_matrix_and_sidereal_time_agree_with_the_full_2006_2000a_models_to_milliarcseconds() {
        Random random = new Random(20260101);
        for (int i = 0; i < 200; i++) {
            double days = random.nextDouble() * 21_900;
            EarthOrientation.Orientation mine = EarthOrientation.at(days);
            double[][] full = JSOFA.jauPnm06a(EarthOrientation.J2000, days);
            Vector somewhere = Vector.towards(random.nextDouble() * 360, random.nextDouble() * 180 - 90);
            Vector expected = dev.halfdusk.core.measure.Matrix.of(full).times(somewhere);
            assertThat(mine.trueOfDate().times(somewhere).angleTo(expected) * 3600)
                    .isLessThan(0.004);

            double ut1 = TimeScale.ut1Days(days);
            double gst = JSOFA.jauGst06a(EarthOrientation.J2000, ut1, EarthOrientation.J2000, days);
            double off = Angles.halfTurn(Math.toDegrees(mine.siderealRadians() - gst));
            assertThat(Math.toRadians(off) / ARCSEC).isCloseTo(0, within(0.004));
        }
    }
}
