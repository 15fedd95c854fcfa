package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.NightSceneKind;
import dev.halfdusk.core.exposure.Traffic;
import dev.halfdusk.core.frame.Street.Light;
import dev.halfdusk.core.frame.Street.Pane;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Silhouette;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What stands along a row of lamps, measured back from its directions: metres to the right of the line of sight at azimuth 200°, and above the ground. */
class BuiltStreetTest {

    private static final double AXIS = 200;
    private static final double EYE = 1.6;

    private static Street street(NightSceneKind view) {
        return Street.of(view, AXIS, new Traffic(50, 60, 90), 10, 20);
    }

    private static double right(Direction at, double off) {
        return off * Math.tan(Math.toRadians(Angles.halfTurn(at.azimuthDeg() - AXIS)));
    }

    private static double above(Direction at, double off) {
        return EYE + Math.tan(Math.toRadians(at.altitudeDeg())) * Math.hypot(off, right(at, off));
    }

    private static double right(Mark mark, double off) {
        return off * Math.tan(Math.toRadians(Angles.halfTurn(mark.bearingDeg() - AXIS)));
    }

    /** Its width across the row, of which one sees less where it stands aside. */
    private static double wide(Mark mark, double off) {
        return mark.widthM() * mark.distanceM() / off;
    }

    /** Lamps from 55° left to 55° right, as far apart and as high as the row is, one in six white; candela within a fifth. */
    @ParameterizedTest
    @CsvSource({
        "STREET, 42, 16, 7, 1500",
        "BRIDGE, 190, 17, 15, 2500",
        "HARBOUR, 170, 15, 8, 1800",
        "NEON, 30, 7, 4.5, 300"
    })
    void lamps_stand_in_a_row(NightSceneKind view, double off, double apart, double high, double candela) {
        Street street = street(view);
        double edge = off * Math.tan(Math.toRadians(55));
        assertThat(street.lamps()).hasSize((int) Math.ceil(2 * edge / apart));
        for (int i = 0; i < street.lamps().size(); i++) {
            Street.Lamp lamp = street.lamps().get(i);
            double x = -edge + i * apart;
            assertThat(right(lamp.at(), off)).isCloseTo(x, within(1e-6));
            assertThat(above(lamp.at(), off)).isCloseTo(high, within(1e-6));
            assertThat(lamp.metres()).isCloseTo(Math.hypot(off, x), within(1e-9));
            assertThat(lamp.candela()).isBetween(0.8 * candela, 1.2 * candela);
            if (view != NightSceneKind.NEON) {
                assertThat(lamp.light()).isIn(Light.WARM, Light.WHITE);
            } else {
                assertThat(lamp.light()).isNotEqualTo(Light.WHITE).isNotNull();
            }
        }
        double white =
                street.lamps().stream().filter(l -> l.light() == Light.WHITE).count()
                        / (double) street.lamps().size();
        assertThat(white).isLessThan(0.45);
        if (view == NightSceneKind.NEON) {
            assertThat(street.lamps().stream().map(Street.Lamp::light).distinct())
                    .hasSizeGreaterThan(3);
        }
    }

    /** From 7 m above the ground to 8.6 m, a piece for each lamp with 5 % to spare, and a pier of 8 m under each fourth; masts stand on it. */
    @Test
    void a_bridge_has_a_deck_and_piers() {
        Street bridge = street(NightSceneKind.BRIDGE);
        double edge = 190 * Math.tan(Math.toRadians(55));
        int lamps = bridge.lamps().size();
        List<Mark> deck = bridge.built().stream()
                .filter(m -> Math.abs(m.heightM() - 1.6) < 1e-9)
                .toList();
        List<Mark> piers = bridge.built().stream()
                .filter(m -> Math.abs(m.heightM() - 8) < 1e-9)
                .toList();
        List<Mark> masts = bridge.built().stream()
                .filter(m -> Math.abs(m.heightM() - 7) < 1e-9)
                .toList();
        assertThat(deck).hasSize(lamps);
        assertThat(masts).hasSize(lamps);
        assertThat(piers).hasSize((lamps + 3) / 4);
        assertThat(bridge.built()).hasSize(deck.size() + piers.size() + masts.size());
        for (int i = 0; i < lamps; i++) {
            assertThat(right(deck.get(i), 190)).isCloseTo(-edge + 17 * i, within(1e-6));
            assertThat(wide(deck.get(i), 190)).isCloseTo(17.85, within(1e-6));
            assertThat(deck.get(i).footM()).isCloseTo(7 - EYE, within(1e-9));
            assertThat(masts.get(i).footM()).isCloseTo(8 - EYE, within(1e-9));
        }
        for (int i = 0; i < piers.size(); i++) {
            assertThat(right(piers.get(i), 190)).isCloseTo(-edge + 68 * i, within(1e-6));
            assertThat(piers.get(i).footM()).isCloseTo(-EYE, within(1e-9));
            assertThat(wide(piers.get(i), 190)).isCloseTo(4, within(1e-6));
        }
        assertThat(bridge.panes()).isEmpty();
        assertThat(bridge.vehicles()).allSatisfy(v -> assertThat(v.roadM()).isEqualTo(8));
    }

    private static List<Mark> houses(Street street, double off) {
        return street.built().stream().filter(m -> m.widthM() > 1).toList();
    }

    private static double wall(Mark house) {
        return house.silhouette() == Silhouette.BLOCK ? house.heightM() : house.heightM() / 2;
    }

    private static boolean lies(Pane pane, Mark house, double off) {
        double middle = right(house, off);
        double half = wide(house, off) / 2 + 1e-6;
        return right(pane.from(), off) >= middle - half
                && right(pane.to(), off) <= middle + half
                && above(pane.to(), off) <= wall(house) + 1e-6;
    }

    /** Six metres behind the lamps, 8 to 14 m wide and 6 to 13 m high, wall to wall or with a gap of half a house; one in three has a flat roof. */
    @ParameterizedTest
    @EnumSource(
            value = NightSceneKind.class,
            names = {"STREET", "HARBOUR", "NEON"})
    void houses_stand_side_by_side_and_have_windows_in_their_walls(NightSceneKind view) {
        Street street = street(view);
        double off = street.row().off() + 6;
        double edge = street.row().off() * Math.tan(Math.toRadians(55));
        List<Mark> houses = houses(street, off);
        int flat = 0;
        int gaps = 0;
        double begins = -edge;
        for (Mark house : houses) {
            assertThat(wide(house, off)).isBetween(8.0, 14.0);
            assertThat(house.heightM()).isBetween(6.0, 13.0);
            assertThat(house.footM()).isCloseTo(-EYE, within(1e-9));
            assertThat(right(house, off) - wide(house, off) / 2).isCloseTo(begins, within(1e-6));
            assertThat(begins).isLessThan(edge);
            flat += house.silhouette() == Silhouette.BLOCK ? 1 : 0;
            double next = begins + 1.02 * wide(house, off);
            int at = houses.indexOf(house);
            if (at + 1 < houses.size()) {
                Mark neighbour = houses.get(at + 1);
                if (Math.abs(right(neighbour, off) - wide(neighbour, off) / 2 - next) > 1e-6) {
                    next = begins + 1.5 * wide(house, off);
                    gaps++;
                }
            }
            begins = next;
        }
        assertThat(begins).isGreaterThan(edge - 7);
        assertThat(flat).isBetween(houses.size() / 10, houses.size() * 6 / 10);
        assertThat(gaps).isBetween(view == NightSceneKind.HARBOUR ? 5 : 0, houses.size() / 2);
        if (view != NightSceneKind.NEON) {
            for (Pane pane : street.panes()) {
                assertThat(houses).anyMatch(h -> lies(pane, h, off));
                assertThat(right(pane.to(), off) - right(pane.from(), off)).isCloseTo(1, within(1e-6));
                assertThat(above(pane.to(), off) - above(pane.from(), off)).isCloseTo(1.35, within(1e-6));
                double floor = (above(pane.from(), off) - 1) / 2.9;
                assertThat(floor).isCloseTo(Math.rint(floor), within(1e-6));
                assertThat(pane.cdM2()).isBetween(2.0, 12.0);
                assertThat(pane.light()).isIn(Light.WARM, Light.WHITE);
            }
            // four columns of windows on each floor, two of five lit, a quarter of them white
            double floors = houses.stream()
                    .mapToDouble(h -> Math.ceil((wall(h) - 2.6) / 2.9))
                    .sum();
            assertThat(street.panes().size() / (4 * floors)).isBetween(0.25, 0.55);
        }
    }

    /** Shop windows of 1.9 m at the ground, four of five lit and bright, and a sign of a colour on each house above them. */
    @Test
    void shops_have_large_windows_and_signs() {
        Street street = street(NightSceneKind.NEON);
        double off = 36;
        List<Mark> houses = houses(street, off);
        List<Pane> signs = street.panes().stream()
                .filter(p -> Math.abs(above(p.from(), off) - 3.2) < 1e-6)
                .toList();
        List<Pane> shops = street.panes().stream()
                .filter(p -> Math.abs(above(p.from(), off) - 1) < 1e-6)
                .toList();
        assertThat(signs).hasSameSizeAs(houses);
        for (int i = 0; i < signs.size(); i++) {
            Pane sign = signs.get(i);
            double middle = right(houses.get(i), off);
            double wide = wide(houses.get(i), off);
            assertThat(right(sign.from(), off)).isBetween(middle - 0.35 * wide, middle - 0.1 * wide);
            assertThat(right(sign.to(), off) - right(sign.from(), off)).isBetween(1.5, 3.5);
            assertThat(above(sign.to(), off)).isCloseTo(3.75, within(1e-6));
            assertThat(sign.cdM2()).isBetween(10.0, 30.0);
            assertThat(sign.light()).isNotNull();
        }
        for (Pane shop : shops) {
            assertThat(above(shop.to(), off)).isCloseTo(2.9, within(1e-6));
            assertThat(right(shop.to(), off) - right(shop.from(), off)).isBetween(2.4, 4.2);
            assertThat(shop.cdM2()).isBetween(15.0, 50.0);
        }
        // three to a house
        assertThat(shops.size() / (3.0 * houses.size())).isBetween(0.6, 0.95);
        assertThat(street.panes().size()).isGreaterThan(signs.size() + shops.size());
    }
}
