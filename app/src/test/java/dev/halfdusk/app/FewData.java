package dev.halfdusk.app;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.springframework.test.context.TestPropertySource;

/**
 * Beside {@link PageTest}: a test that reads all data there are again and again, in an application whose database holds nothing of the other
 * tests. Among what hundreds of them leave it takes seven times as long.
 */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
@TestPropertySource(properties = "test.data=few")
public @interface FewData {}
