package dev.halfdusk.app;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.sqlite.SQLiteConfig;

/** Looks before the start whether it can succeed, so that what is wrong is one sentence with what to do. */
final class Startup {

    private static final String OWN = "--halfdusk.";
    private static final Set<String> OPTIONS =
            Set.of("data", "demo", "clock", "hosts", "forecast", "pictures", "trial", "warm");
    private static final int LAST_PORT = 65_535;

    private Startup() {}

    /** The start cannot succeed; the message says why and what to do. */
    static final class Refused extends RuntimeException {
        Refused(String message) {
            super(message, null, false, false);
        }
    }

    /** @throws Refused in one sentence */
    static void check(String... args) {
        Map<String, String> options = options(args);
        oneOf(options, "demo", Set.of("true", "false"));
        oneOf(options, "trial", Set.of("true", "false"));
        oneOf(options, "warm", Set.of("true", "false"));
        oneOf(options, "forecast", Set.of("ok", "slow", "down"));
        instant(options);
        if (options.get("data") != null) {
            folder(Path.of(options.get("data")));
        } else if (!"true".equals(options.get("demo"))) {
            folder(HalfDuskProperties.usualFolder());
        }
        port(options.get("port"), options.getOrDefault("address", "127.0.0.1"));
    }

    private static Map<String, String> options(String... args) {
        Map<String, String> options = new LinkedHashMap<>();
        for (String arg : args) {
            int equals = arg.indexOf('=');
            String name = equals < 0 ? arg : arg.substring(0, equals);
            String value = equals < 0 ? "true" : arg.substring(equals + 1);
            if (name.startsWith("--server.")) {
                options.put(name.substring("--server.".length()), value);
            } else if (name.startsWith(OWN)) {
                String own = name.substring(OWN.length());
                if (!OPTIONS.contains(own)) {
                    throw new Refused("There is no option " + name + "; there are "
                            + String.join(
                                    ", ",
                                    OPTIONS.stream().sorted().map(o -> OWN + o).toList()) + ".");
                }
                options.put(own, value);
            }
        }
        return options;
    }

    private static void oneOf(Map<String, String> options, String name, Set<String> allowed) {
        String value = options.get(name);
        if (value != null && !allowed.contains(value)) {
            throw new Refused(OWN + name + " takes "
                    + String.join(" or ", allowed.stream().sorted().toList()) + ", not '" + value + "'.");
        }
    }

    private static void instant(Map<String, String> options) {
        try {
            if (options.get("clock") != null) {
                Instant.parse(options.get("clock"));
            }
        } catch (DateTimeException e) {
            throw new Refused(OWN + "clock takes a time in UTC such as 2027-06-01T18:00:00Z, not '"
                    + options.get("clock") + "'.");
        }
    }

    private static void port(String typed, String address) {
        if (typed == null || "0".equals(typed)) {
            return;
        }
        if (!typed.matches("\\d{1,5}") || Integer.parseInt(typed) > LAST_PORT) {
            throw new Refused("--server.port takes a number from 1 to " + LAST_PORT + ", not '" + typed + "'.");
        }
        try (ServerSocket socket = new ServerSocket()) {
            socket.setReuseAddress(true);
            socket.bind(new InetSocketAddress(InetAddress.getByName(address), Integer.parseInt(typed)));
        } catch (IOException e) {
            throw new Refused("Port " + typed + " of " + address
                    + " cannot be used (another program may hold it): stop that program or choose another port.");
        }
    }

    /** Makes the data folder where there is none, and looks into the database without writing to it. */
    private static void folder(Path folder) {
        try {
            Files.createDirectories(folder);
            Files.delete(Files.createTempFile(folder, "half-dusk", ".try"));
        } catch (IOException e) {
            throw new Refused("The data folder " + folder
                    + " cannot be written to: choose a folder that is yours with --halfdusk.data=DIR.");
        }
        Path file = folder.resolve(Database.FILE);
        if (Files.exists(file)) {
            int stored = version(file);
            int known = newest();
            if (stored > known) {
                throw new Refused("The data in " + folder + " were written by a newer Half Dusk (schema " + stored
                        + ", this one knows " + known + "): start the newer one; nothing was changed.");
            }
        }
    }

    private static int version(Path file) {
        SQLiteConfig config = new SQLiteConfig();
        config.setReadOnly(true);
        String newest = "SELECT max(CAST(version AS INTEGER)) FROM flyway_schema_history";
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file, config.toProperties());
                Statement statement = connection.createStatement()) {
            try (ResultSet any =
                    statement.executeQuery("SELECT 1 FROM sqlite_master WHERE name = 'flyway_schema_history'")) {
                if (!any.next()) {
                    return 0;
                }
            }
            try (ResultSet row = statement.executeQuery(newest)) {
                return row.next() ? row.getInt(1) : 0;
            }
        } catch (SQLException e) {
            throw new Refused(file + " is no database that can be read: move it away, or choose another folder with"
                    + " --halfdusk.data=DIR.");
        }
    }

    /** Of the migrations that ship. */
    private static int newest() {
        try {
            Resource[] all = new PathMatchingResourcePatternResolver().getResources("classpath:db/migration/V*.sql");
            return Arrays.stream(all)
                    .map(r -> r.getFilename().replaceAll("^V(\\d+)__.*", "$1"))
                    .mapToInt(Integer::parseInt)
                    .max()
                    .orElseThrow();
        } catch (IOException e) {
            throw new IllegalStateException("the migrations cannot be listed", e);
        }
    }
}
