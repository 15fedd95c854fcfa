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
import java.util.concurrent.CompletableFuture;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
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
                .send(request(address), HttpResponse.BodyHandlers.discarding())
                .statusCode();
    }

    private static HttpRequest request(String address) {
        return HttpRequest.newBuilder(URI.create(address)).build();
    }

    /** But for the number by which none is kept for another. */
    private static String alike(HttpResponse<String> answer) {
        return answer.body().replaceAll("turn=\\d+", "");
    }

    /** Most of them wait for their turn, and are answered as one that need not. */
    private static void manyAtOnce(String address) throws Exception {
        HttpClient client = HttpClient.newHttpClient();
        HttpResponse<String> one = client.send(request(address), HttpResponse.BodyHandlers.ofString());
        assertThat(one.statusCode()).isEqualTo(200);
        List<CompletableFuture<HttpResponse<String>>> answers = IntStream.range(1, 30)
                .mapToObj(i -> client.sendAsync(
                        request(address.replace("turn=0", "turn=" + i)), HttpResponse.BodyHandlers.ofString()))
                .toList();
        for (CompletableFuture<HttpResponse<String>> answer : answers) {
            assertThat(answer.join().statusCode()).isEqualTo(200);
            assertThat(alike(answer.join())).isEqualTo(alike(one));
            assertThat(answer.join().headers().map().keySet())
                    .isEqualTo(one.headers().map().keySet());
        }
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
            manyAtOnce(address + "/kit?turn=0");
            manyAtOnce(address + "/api/night?lat=37.6&lon=-8.8&date=2027-06-08&zone=Europe/Lisbon");
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
