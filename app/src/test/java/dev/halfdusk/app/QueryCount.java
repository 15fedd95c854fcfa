package dev.halfdusk.app;

import java.util.concurrent.atomic.AtomicInteger;
import org.jooq.ExecuteContext;
import org.jooq.ExecuteListener;
import org.jooq.ExecuteListenerProvider;
import org.springframework.boot.test.context.TestComponent;

/** Counts the questions to the database, for tests of lists. */
@TestComponent
public class QueryCount implements ExecuteListener, ExecuteListenerProvider {

    private final transient AtomicInteger asked = new AtomicInteger();

    @Override
    public ExecuteListener provide() {
        return this;
    }

    @Override
    public void executeStart(ExecuteContext context) {
        asked.incrementAndGet();
    }

    public int soFar() {
        return asked.get();
    }
}
