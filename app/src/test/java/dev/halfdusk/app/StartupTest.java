package dev.halfdusk.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A start that cannot succeed says why in one sentence, and changes nothing. */
class StartupTest {

    @TempDir
    Path folder;

    private String[] with(String... more) {
        String[] all = new String[more.length + 1];
        all[0] = "--halfdusk.data=" + folder;
        System.arraycopy(more, 0, all, 1, more.length);
        return all;
    }

    private static void refused(String words, String... args) {
        assertThatThrownBy(() -> Startup.check(args))
                .isInstanceOf(Startup.Refused.class)
                .hasMessageContaining(words)
                .satisfies(e -> assertThat(e.getMessage()).doesNotContain("\n").endsWith("."));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "--halfdusk.dmeo=true|There is no option --halfdusk.dmeo",
                "--halfdusk.demo=yes|takes false or true, not 'yes'",
                "--halfdusk.forecast=fast|takes down or ok or slow, not 'fast'",
                "--halfdusk.clock=noon|such as 2027-06-01T18:00:00Z, not 'noon'",
                "--server.port=x|from 1 to 65535, not 'x'",
                "--server.port=70000|from 1 to 65535, not '70000'"
            })
    void options_that_are_none_are_refused(String option, String words) {
        refused(words, with(option));
    }

    @Test
    void what_is_right_is_let_through() {
        assertThatCode(() -> Startup.check(with("--server.port=0", "--halfdusk.hosts=a,b", "--halfdusk.forecast=slow")))
                .doesNotThrowAnyException();
        assertThat(folder).isEmptyDirectory();
    }

    @Test
    void a_file_is_no_folder_and_not_every_folder_can_be_written_to() throws Exception {
        Path file = Files.writeString(folder.resolve("file"), "x");
        refused("cannot be written to", "--halfdusk.data=" + file);
        refused("cannot be written to", "--halfdusk.data=/proc/half-dusk");
        assertThat(file).hasContent("x");
    }

    @Test
    void a_busy_port_is_said() throws Exception {
        try (ServerSocket other = new ServerSocket(0, 1, InetAddress.getByName("127.0.0.1"))) {
            refused(
                    "Port " + other.getLocalPort() + " of 127.0.0.1 cannot be used",
                    with("--server.port=" + other.getLocalPort()));
        }
    }

    /** Data of a newer version are not opened, and not one byte of them is changed. */
    @Test
    void data_of_a_newer_version_are_left_alone() throws Exception {
        Path file = folder.resolve(Database.FILE);
        try (Connection db = DriverManager.getConnection("jdbc:sqlite:" + file)) {
            db.createStatement().execute("CREATE TABLE flyway_schema_history (version TEXT)");
            db.createStatement().execute("INSERT INTO flyway_schema_history VALUES ('9'), ('999')");
        }
        byte[] before = Files.readAllBytes(file);
        refused("were written by a newer Half Dusk (schema 999, this one knows ", with());
        assertThat(Files.readAllBytes(file)).isEqualTo(before);
        try (Connection db = DriverManager.getConnection("jdbc:sqlite:" + file)) {
            db.createStatement().execute("DELETE FROM flyway_schema_history WHERE version = '999'");
        }
        assertThatCode(() -> Startup.check(with())).doesNotThrowAnyException();
    }

    @Test
    void what_is_no_database_is_left_alone() throws Exception {
        Files.writeString(
                folder.resolve(Database.FILE), "not a database, but somebody's notes of a night\n".repeat(40));
        refused("is no database that can be read", with());
    }
}
