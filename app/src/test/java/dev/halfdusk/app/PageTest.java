package dev.halfdusk.app;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.springframework.boot.test.autoconfigure.web.servlet.AutoConfigureMockMvc;
import org.springframework.boot.test.autoconfigure.web.servlet.MockMvcPrint;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.context.annotation.Import;
import org.springframework.test.context.ContextConfiguration;
import org.springframework.test.context.TestConstructor;

/**
 * A test of pages or repositories against the whole application. All of them share one application and one database, so a
 * test makes what it looks at and counts nothing that others may add to.
 */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
@SpringBootTest
@AutoConfigureMockMvc(print = MockMvcPrint.NONE) // what is printed on failure would be put together for every request
@ContextConfiguration(initializers = TestFolder.class)
@TestConstructor(
        autowireMode = TestConstructor.AutowireMode.ALL) // a record's components are what a test asks and makes
@Import({ForecastDouble.class, QueryCount.class, Made.class})
public @interface PageTest {}
