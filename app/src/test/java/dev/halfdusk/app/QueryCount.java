package dev.halfdusk.app;

import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Pattern;
import org.jooq.ExecuteContext;
import org.jooq.ExecuteListener;
import org.jooq.ExecuteListenerProvider;
import org.jooq.exception.DataAccessException;
import org.springframework.boot.test.context.TestComponent;

/** Counts the questions to the database, for tests of lists, and lets a chosen change fail, for tests of saves. */
@TestComponent
public class QueryCount implements ExecuteListener, ExecuteListenerProvider {

    private static final Pattern CHANGE = Pattern.compile("(?i)\\s*(insert|update|delete)\\b.*", Pattern.DOTALL);

    private final transient AtomicInteger asked = new AtomicInteger();
    private final transient AtomicInteger untilFailure = new AtomicInteger();
    private transient volatile Thread failing;

    @Override
    public ExecuteListener provide() {
        return this;
    }

    @Override
    public void executeStart(ExecuteContext context) {
        asked.incrementAndGet();
        if (failing == Thread.currentThread()
                && CHANGE.matcher(context.sql()).matches()
                && untilFailure.decrementAndGet() == 0) {
            throw new DataAccessException("planted");
        }
    }

    /**
     * Does something while the n-th change of the database fails.
     *
     * @return whether it came to that change
     */
    public boolean failing(int nth, Runnable what) {
        untilFailure.set(nth);
        failing = Thread.currentThread();
        try {
            what.run();
            return false;
        } catch (RuntimeException e) {
            if (untilFailure.get() > 0) {
                throw e;
            }
            return true;
        } finally {
            failing = null;
        }
    }

    public int soFar() {
        return asked.get();
    }
}
