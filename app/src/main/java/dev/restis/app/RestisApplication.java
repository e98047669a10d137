package dev.restis.app;

import dev.restis.app.platform.Launch;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.scheduling.annotation.EnableScheduling;

/** Starts Restis: the database first where it is ours to start, then the server. */
@EnableScheduling
@SpringBootApplication
public class RestisApplication {

    public static void main(String[] args) {
        Launch.run(RestisApplication.class, args);
    }
}
