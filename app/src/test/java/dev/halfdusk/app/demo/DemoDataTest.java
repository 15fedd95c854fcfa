package dev.halfdusk.app.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.ground.Gazetteer;
import dev.halfdusk.core.sky.Site;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class DemoDataTest {

    private static final Map<String, Site> PLACES = Map.of(
            "Salt Ledge", DemoData.LEDGE,
            "Needle Arch", DemoData.ARCH,
            "Old Tide Mill", DemoData.MILL,
            "Strait lookout", DemoData.STRAIT);

    @Test
    void the_light_of_its_towns_is_what_the_gazetteer_says() {
        PLACES.forEach((name, site) -> {
            List<Dome> stored = DemoData.domes(name);
            List<Dome> estimated = Gazetteer.shipped().domes(site.latitudeDeg(), site.longitudeDeg(), 10);
            assertThat(stored).as(name).hasSameSizeAs(estimated).isNotEmpty();
            for (int i = 0; i < stored.size(); i++) {
                assertThat(stored.get(i).bearingDeg())
                        .isCloseTo(estimated.get(i).bearingDeg(), within(0.051));
                assertThat(stored.get(i).distanceKm())
                        .isCloseTo(estimated.get(i).distanceKm(), within(0.051));
                assertThat(stored.get(i).people()).isEqualTo(estimated.get(i).people());
            }
        });
    }
}
