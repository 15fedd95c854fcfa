package dev.halfdusk.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ListedTest {

    private static final List<String> ALL =
            IntStream.rangeClosed(1, 120).mapToObj(i -> "Pla\u00e7a " + i).toList();

    private static Listed<String> page(String search, String page) {
        return Listed.of(ALL, Optional.ofNullable(search), Optional.ofNullable(page), s -> s);
    }

    @ParameterizedTest
    @CsvSource({
        ", , 120, 1, 3, Pla\u00e7a 1, 50",
        ", 3, 120, 3, 3, Pla\u00e7a 101, 20",
        ", 99, 120, 3, 3, Pla\u00e7a 101, 20",
        ", -1, 120, 1, 3, Pla\u00e7a 1, 50",
        ", x, 120, 1, 3, Pla\u00e7a 1, 50",
        "PLACA 12, , 3, 1, 1, Pla\u00e7a 12, 3", // accents and case aside: 12, 112 and 120
        "'12  pla', 1, 3, 1, 1, Pla\u00e7a 12, 3"
    })
    void pages_and_searches(String search, String page, int found, int number, int pages, String first, int rows) {
        Listed<String> listed = page(search, page);
        assertThat(listed.found()).isEqualTo(found);
        assertThat(listed.number()).isEqualTo(number);
        assertThat(listed.pages()).isEqualTo(pages);
        assertThat(listed.rows()).hasSize(rows).startsWith(first);
        assertThat(listed.all()).isEqualTo(120);
        assertThat(listed.hasBefore()).isEqualTo(number > 1);
        assertThat(listed.hasAfter()).isEqualTo(number < pages);
    }

    @Test
    void nothing_found_is_one_empty_page() {
        Listed<String> none = page("reef", "4");
        assertThat(none.rows()).isEmpty();
        assertThat(none.number()).isEqualTo(1);
        assertThat(none.searchable()).isTrue();
        assertThat(Listed.of(List.of("a"), Optional.empty(), Optional.empty(), s -> s)
                        .searchable())
                .isFalse();
    }
}
