package dev.halfdusk.app.api;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.app.Ask;
import dev.halfdusk.app.StoringTest;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIf;
import org.junit.jupiter.api.io.TempDir;

/** Clients that others would generate from the published description compile. */
@EnabledIf("installed")
class ClientsTest extends StoringTest {

    private static final Path GENERATOR = Path.of("target/tools/openapi-generator-cli.jar");
    private static final Path TYPESCRIPT = Path.of("frontend/node_modules/typescript/bin/tsc");

    @TempDir
    private Path folder;

    static boolean installed() {
        return Files.exists(GENERATOR);
    }

    @BeforeEach
    void description() throws Exception {
        Files.writeString(folder.resolve("api.json"), Ask.ok(web, "/api/docs/openapi"));
    }

    private void run(String... command) throws Exception {
        Path said = folder.resolve("said");
        Process process = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(said.toFile())
                .start();
        assertThat(process.waitFor(3, TimeUnit.MINUTES)).isTrue();
        assertThat(process.exitValue()).as(Files.readString(said)).isZero();
    }

    private void generate(String language, String... more) throws Exception {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1", // a test's life is short
                "-jar",
                GENERATOR.toString(),
                "generate",
                "-g",
                language,
                "-i",
                folder.resolve("api.json").toString(),
                "-o",
                folder.resolve(language).toString()));
        command.addAll(List.of(more));
        run(command.toArray(String[]::new));
    }

    @Test
    void a_java_client_compiles() throws Exception {
        generate("java", "--library", "native", "--additional-properties=openApiNullable=false,useJakartaEe=true");
        Path out = Files.createDirectory(folder.resolve("classes"));
        List<String> arguments = new ArrayList<>(List.of(
                "-nowarn",
                "-proc:none",
                "-d",
                out.toString(),
                "-cp",
                System.getProperty("surefire.test.class.path", System.getProperty("java.class.path"))));
        try (Stream<Path> sources = Files.walk(folder.resolve("java/src/main/java"))) {
            sources.map(Path::toString).filter(s -> s.endsWith(".java")).forEach(arguments::add);
        }
        assertThat(arguments).hasSizeGreaterThan(30);
        assertThat(ToolProvider.getSystemJavaCompiler().run(null, null, null, arguments.toArray(String[]::new)))
                .isZero();
    }

    @Test
    void a_typescript_client_compiles() throws Exception {
        generate("typescript-fetch");
        List<String> command = new ArrayList<>(List.of(
                "node",
                TYPESCRIPT.toString(),
                "--noEmit",
                "--strict",
                "--target",
                "es2022",
                "--module",
                "es2022",
                "--moduleResolution",
                "bundler",
                folder.resolve("typescript-fetch/index.ts").toString()));
        run(command.toArray(String[]::new));
    }
}
