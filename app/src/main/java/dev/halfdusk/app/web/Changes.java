package dev.halfdusk.app.web;

import jakarta.annotation.PreDestroy;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.OptionalLong;
import javax.sql.DataSource;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Component;

/**
 * Whether anything stored has changed, whoever changed it: SQLite tells it to a connection that itself writes nothing. What is worked
 * out after the number was asked for holds at least as long as the number stays the same.
 */
@Component
class Changes {

    private static final Logger LOG = LoggerFactory.getLogger(Changes.class);

    private final DataSource reads;
    private Connection connection;
    private Statement statement;

    Changes(@Qualifier("reads") DataSource reads) {
        this.reads = reads;
    }

    /** Another after each change of the database; empty where it cannot be told. */
    synchronized OptionalLong number() {
        try {
            if (connection == null) {
                connection = reads.getConnection();
                statement = connection.createStatement();
            }
            try (ResultSet answer = statement.executeQuery("PRAGMA data_version")) {
                return answer.next() ? OptionalLong.of(answer.getLong(1)) : OptionalLong.empty();
            }
        } catch (SQLException e) {
            LOG.debug("no number of changes", e);
            close();
            return OptionalLong.empty();
        }
    }

    @PreDestroy
    synchronized void close() {
        try {
            if (connection != null) {
                connection.close();
            }
        } catch (SQLException e) {
            LOG.debug("not closed", e);
        }
        connection = null;
    }
}
