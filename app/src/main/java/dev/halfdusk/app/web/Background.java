package dev.halfdusk.app.web;

import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.GenericApplicationListener;

/** Work beside requests. */
public final class Background {

    private Background() {}

    /** So many threads for work that is waited for beside a request; none of them holds up the end of the application. */
    public static ExecutorService threads(String name, int count) {
        return Executors.newFixedThreadPool(count, task -> {
            Thread thread = new Thread(task, name);
            thread.setDaemon(true);
            return thread;
        });
    }

    /** Work that nobody waits for: of the least priority, told to stop when the application is. */
    public static void start(String name, ConfigurableApplicationContext application, Runnable work) {
        Thread thread = new Thread(work, name);
        thread.setDaemon(true);
        thread.setPriority(Thread.MIN_PRIORITY);
        application.addApplicationListener(
                GenericApplicationListener.forEventType(ContextClosedEvent.class, closed -> thread.interrupt()));
        thread.start();
    }
}
