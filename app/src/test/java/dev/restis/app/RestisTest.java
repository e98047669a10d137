package dev.restis.app;

import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** On the database that the tests of a process share; each clears up what others would stumble over. */
abstract class RestisTest extends AskedTest {

    @DynamicPropertySource
    static void database(DynamicPropertyRegistry properties) {
        properties.add("spring.datasource.url", TestServer.server()::url);
        properties.add("spring.datasource.username", TestServer.server()::user);
        properties.add("spring.datasource.password", TestServer.server()::password);
    }
}
