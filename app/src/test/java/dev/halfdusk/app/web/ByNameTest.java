package dev.halfdusk.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.function.Function;
import org.junit.jupiter.api.Test;

class ByNameTest {

    @Test
    void names_stand_in_the_order_people_expect() {
        List<String> expected = List.of(
                "",
                "7 sisters",
                "Arch",
                "arch",
                "\u00c1rnes",
                "Arnes Spit",
                "\u00c4u\u00dferer Sand",
                "Bay",
                "spot 2",
                "Spot 10",
                "spot 011",
                "Spot 99999999999999999999",
                "Z");
        List<String> found = new ArrayList<>(expected);
        Collections.shuffle(found, new java.util.Random(3));
        found.sort(ByName.of(Function.identity()));
        assertThat(found).isEqualTo(expected);
    }
}
