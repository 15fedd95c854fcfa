package dev.halfdusk.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIf;
import org.junit.jupiter.api.io.TempDir;

/** The packaged application as {@code demo} and {@code start} start it: with beans worked out at the build. */
@EnabledIf("packaged")
class StartBrowserTest {

    private static final Path JAR = Path.of("target/half-dusk.jar");
    private static final Pattern AT = Pattern.compile("Half Dusk is at (http://127.0.0.1:\\d+)");

    static boolean packaged() {
        return Files.exists(JAR);
    }

    private static Process start(String... options) throws IOException {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1", // a test's life is short
                "-jar",
                JAR.toString()));
        command.addAll(List.of(options));
        return new ProcessBuilder(command).redirectErrorStream(true).start();
    }

    private static int status(String address) throws Exception {
        return HttpClient.newHttpClient()
                .send(HttpRequest.newBuilder(URI.create(address)).build(), HttpResponse.BodyHandlers.discarding())
                .statusCode();
    }

    @Test
    void the_demo_starts_and_its_pages_come(@TempDir Path data) throws Exception {
        Process process = start("--server.port=0", "--halfdusk.demo=true", "--halfdusk.data=" + data);
        try (BufferedReader out =
                new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
            String address = null;
            for (String line = out.readLine(); line != null && address == null; line = out.readLine()) {
                Matcher at = AT.matcher(line);
                address = at.find() ? at.group(1) : null;
            }
            assertThat(address).as("it says where it is").isNotNull();
            for (String path : List.of(
                    "/",
                    "/outings/1",
                    "/outings/1/field",
                    "/events/plans/1/day",
                    "/kit",
                    "/deleted",
                    "/api/docs/openapi",
                    "/clock")) {
                assertThat(status(address + path)).as(path).isEqualTo(200);
            }
        } finally {
            process.destroy();
            process.waitFor();
        }
    }

    @Test
    void a_start_that_cannot_succeed_is_one_sentence(@TempDir Path data) throws Exception {
        Process process = start("--halfdusk.data=" + Files.writeString(data.resolve("file"), ""));
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).isEqualTo(2);
        assertThat(said.lines()).hasSize(1);
        assertThat(said).contains("cannot be written to").doesNotContain("\tat ");
    }
}
