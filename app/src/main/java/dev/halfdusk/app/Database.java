package dev.halfdusk.app;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import com.zaxxer.hikari.SQLExceptionOverride;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.Set;
import javax.sql.DataSource;
import org.jooq.ExecuteContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.boot.autoconfigure.jooq.ExceptionTranslatorExecuteListener;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.springframework.jdbc.UncategorizedSQLException;
import org.springframework.jdbc.datasource.LazyConnectionDataSourceProxy;
import org.sqlite.SQLiteErrorCode;

/**
 * The database file, open twice. Reading transactions have a pool of their own and begin deferred, so that they wait for no
 * writer, neither ours nor another program's. Writing ones queue for one connection and begin immediate: what they read is what
 * they change. Which one a transaction gets is told by its {@code readOnly}.
 */
@Configuration(proxyBeanMethods = false)
class Database {

    static final String FILE = "half-dusk.db";

    /** One of them only tells of changes. */
    private static final int READERS = 7;

    /** For our own writers ahead in the queue, ms; with the next, 3.5 s until a person is answered, five on a busy machine. */
    private static final int QUEUE_MS = 2000;

    /** For another program that holds the file, ms. */
    private static final int LOCK_MS = 1500;

    @Bean(defaultCandidate = false)
    HikariDataSource writes(HalfDuskProperties properties) {
        HikariConfig config = config(properties);
        config.setPoolName("writes");
        config.setMaximumPoolSize(1);
        config.setConnectionTimeout(QUEUE_MS);
        config.addDataSourceProperty("busy_timeout", "" + LOCK_MS);
        config.addDataSourceProperty("transaction_mode", "IMMEDIATE");
        return new HikariDataSource(config);
    }

    @Bean(defaultCandidate = false)
    HikariDataSource reads(HalfDuskProperties properties) {
        HikariConfig config = config(properties);
        config.setPoolName("reads");
        config.setMaximumPoolSize(READERS);
        config.setMinimumIdle(1);
        config.addDataSourceProperty("busy_timeout", "" + LOCK_MS);
        config.setConnectionInitSql("PRAGMA query_only = 1");
        return new HikariDataSource(config);
    }

    private static HikariConfig config(HalfDuskProperties properties) {
        Path file = properties.data().resolve(FILE);
        HikariConfig config = new HikariConfig();
        config.setJdbcUrl("jdbc:sqlite:" + file);
        config.addDataSourceProperty("journal_mode", "WAL");
        config.addDataSourceProperty("synchronous", "NORMAL");
        config.addDataSourceProperty("foreign_keys", "true");
        config.setExceptionOverrideClassName(Unsound.class.getName());
        return config;
    }

    @Bean
    @Primary
    DataSource dataSource(@Qualifier("writes") DataSource writes, @Qualifier("reads") DataSource reads) {
        LazyConnectionDataSourceProxy both = new LazyConnectionDataSourceProxy();
        both.setTargetDataSource(writes);
        both.setReadOnlyDataSource(reads);
        both.setDefaultAutoCommit(true);
        both.setDefaultTransactionIsolation(Connection.TRANSACTION_SERIALIZABLE);
        return both;
    }

    /** Every failure of a statement in Spring's terms, so that nothing above the repositories needs to know jOOQ. */
    @Bean
    ExceptionTranslatorExecuteListener failures() {
        return new ExceptionTranslatorExecuteListener() {
            @Override
            public void exception(ExecuteContext context) {
                if (context.sqlException() != null) {
                    context.exception(
                            new UncategorizedSQLException("statement", context.sql(), context.sqlException()));
                }
            }
        };
    }

    /**
     * A connection that failed is closed, not handed on: where BEGIN fails the driver believes all the same that it is in a
     * transaction, and never begins one again. Only a violated constraint leaves the connection as it was. Made by the pool, by
     * its name.
     */
    public static final class Unsound implements SQLExceptionOverride {

        private static final Set<Integer> SOUND = Set.of(SQLiteErrorCode.SQLITE_CONSTRAINT.code);

        @java.lang.Override
        public Override adjudicate(SQLException e) {
            return SOUND.contains(e.getErrorCode()) ? Override.DO_NOT_EVICT : Override.MUST_EVICT;
        }
    }
}
