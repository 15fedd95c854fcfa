package dev.halfdusk.app.web;

import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.util.Optional;
import org.springframework.transaction.TransactionSystemException;
import org.sqlite.SQLiteErrorCode;

/** Why the database took nothing, where that is no fault of what was asked: the same may succeed a little later. */
public enum NotSaved {
    BUSY("Another program, or another save, holds the database."),
    FULL("The disk is full: make room first."),
    UNWRITABLE("The database cannot be written to now: look after its folder and its disk.");

    /** When to try again, s. */
    public static final int RETRY_AFTER_S = 3;

    private final String why;

    NotSaved(String why) {
        this.why = why;
    }

    /** One sentence. */
    public String why() {
        return why;
    }

    /** Empty for a failure that has another cause. */
    public static Optional<NotSaved> of(Throwable failure) {
        for (Throwable t = failure; t != null; t = t.getCause()) {
            if (t instanceof SQLTransientConnectionException) { // waited in the queue of writers for too long
                return Optional.of(BUSY);
            }
            if (t instanceof SQLException e && of(e.getErrorCode()).isPresent()) {
                return of(e.getErrorCode());
            }
            if (t instanceof TransactionSystemException e && e.getApplicationException() != null) {
                return of(e.getApplicationException()); // the rollback failed too, since the connection was closed
            }
        }
        return Optional.empty();
    }

    private static Optional<NotSaved> of(int code) {
        return switch (SQLiteErrorCode.getErrorCode(code)) {
            case SQLITE_BUSY, SQLITE_LOCKED, SQLITE_PROTOCOL -> Optional.of(BUSY);
            case SQLITE_FULL -> Optional.of(FULL);
            case SQLITE_IOERR, SQLITE_READONLY, SQLITE_CANTOPEN -> Optional.of(UNWRITABLE);
            default -> Optional.empty();
        };
    }
}
