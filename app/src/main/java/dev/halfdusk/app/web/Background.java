package dev.halfdusk.app.web;

import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.GenericApplicationListener;

/** Work that nobody waits for: of the least priority, told to stop when the application is. */
public final class Background {

    private Background() {}

    public static void start(String name, ConfigurableApplicationContext application, Runnable work) {
        Thread thread = new Thread(work, name);
        thread.setDaemon(true);
        thread.setPriority(Thread.MIN_PRIORITY);
        application.addApplicationListener(
                GenericApplicationListener.forEventType(ContextClosedEvent.class, closed -> thread.interrupt()));
        thread.start();
    }
}
