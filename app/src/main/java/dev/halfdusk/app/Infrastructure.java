package dev.halfdusk.app;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.ZoneOffset;
import javax.sql.DataSource;
import org.springframework.beans.factory.support.BeanDefinitionRegistryPostProcessor;
import org.springframework.boot.autoconfigure.flyway.FlywayMigrationStrategy;
import org.springframework.context.annotation.AnnotationConfigUtils;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The schema and the clock. */
@Configuration(proxyBeanMethods = false)
class Infrastructure {

    @Bean
    Clock clock(HalfDuskProperties properties) {
        return properties.clock() == null ? Clock.systemUTC() : Clock.fixed(properties.clock(), ZoneOffset.UTC);
    }

    /** Folder of the database, and of what else is kept. */
    @Bean
    Path dataFolder(HalfDuskProperties properties) {
        return properties.data();
    }

    /**
     * Without listeners by annotation: looking for them in every method of every bean, the thousands of jOOQ's among them,
     * takes a tenth of the start.
     */
    @Bean
    static BeanDefinitionRegistryPostProcessor noListenersByAnnotation() {
        return registry -> {
            if (registry.containsBeanDefinition(AnnotationConfigUtils.EVENT_LISTENER_PROCESSOR_BEAN_NAME)) {
                registry.removeBeanDefinition(AnnotationConfigUtils.EVENT_LISTENER_PROCESSOR_BEAN_NAME);
            }
        };
    }

    /**
     * Migrates the schema. Two migrations have run in places in another wording; there this one counts as run: the fifth was narrowed later, so
     * that it leaves bodies and lenses alone which are not of the generic kit, and the twenty-third had for a while some of what the twenty-fourth does.
     */
    @Bean
    FlywayMigrationStrategy migration(DataSource dataSource) {
        return flyway -> {
            if (ranOtherWording(dataSource)) {
                flyway.repair();
            }
            flyway.migrate();
        };
    }

    private static boolean ranOtherWording(DataSource dataSource) {
        String history = "SELECT 1 FROM flyway_schema_history WHERE version = '5' AND checksum = -55089263"
                + " OR version = '23' AND checksum = -1138077435";
        try (Connection connection = dataSource.getConnection();
                ResultSet table = connection.getMetaData().getTables(null, null, "flyway_schema_history", null)) {
            if (!table.next()) {
                return false;
            }
            try (Statement statement = connection.createStatement();
                    ResultSet row = statement.executeQuery(history)) {
                return row.next();
            }
        } catch (SQLException e) {
            throw new IllegalStateException("the database cannot be read: " + e.getMessage(), e);
        }
    }
}
