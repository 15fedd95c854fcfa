package dev.halfdusk.app.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.sql.SQLException;
import java.time.Duration;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.jdbc.UncategorizedSQLException;
import org.sqlite.SQLiteErrorCode;

class DemoSeasonTest {

    private final AtomicInteger tries = new AtomicInteger();

    /** Another program holds the database while the demo's season is laid behind it, as a backup may: it is there all the same. */
    @Test
    void a_night_is_tried_again_while_the_database_is_held() {
        DemoSeason.again(
                () -> {
                    if (tries.incrementAndGet() < 4) {
                        throw new UncategorizedSQLException(
                                "statement",
                                "insert",
                                new SQLException("locked", null, SQLiteErrorCode.SQLITE_BUSY.code));
                    }
                    return tries;
                },
                Duration.ofMillis(1));
        assertThat(tries).hasValue(4);
    }

    @Test
    void what_fails_for_another_reason_fails_at_once() {
        assertThatThrownBy(() -> DemoSeason.again(
                        () -> {
                            tries.incrementAndGet();
                            throw new DataIntegrityViolationException("no such place");
                        },
                        Duration.ofMillis(1)))
                .isInstanceOf(DataIntegrityViolationException.class);
        assertThat(tries).hasValue(1);
    }
}
