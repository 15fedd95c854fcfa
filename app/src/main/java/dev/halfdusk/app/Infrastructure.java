package dev.halfdusk.app;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneOffset;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The database file and the clock. */
@Configuration(proxyBeanMethods = false)
class Infrastructure {

    @Bean
    HikariDataSource dataSource(HalfDuskProperties properties) {
        Path file = HalfDuskApplication.dataFolder(properties.data()).resolve("half-dusk.db");
        HikariConfig config = new HikariConfig();
        config.setJdbcUrl("jdbc:sqlite:" + file);
        config.setMaximumPoolSize(8);
        config.addDataSourceProperty("journal_mode", "WAL");
        config.addDataSourceProperty("synchronous", "NORMAL");
        config.addDataSourceProperty("foreign_keys", "true");
        config.addDataSourceProperty("busy_timeout", "5000");
        config.addDataSourceProperty("transaction_mode", "IMMEDIATE");
        return new HikariDataSource(config);
    }

    @Bean
    Clock clock(HalfDuskProperties properties) {
        return properties.clock() == null ? Clock.systemUTC() : Clock.fixed(properties.clock(), ZoneOffset.UTC);
    }
}
