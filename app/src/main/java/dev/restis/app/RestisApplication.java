package dev.restis.app;

import dev.restis.app.platform.Launch;
import org.springframework.boot.autoconfigure.SpringBootApplication;

/** Starts Restis: the database first where it is ours to start, then the server. */
@SpringBootApplication
public class RestisApplication {

    public static void main(String[] args) {
        Launch.run(RestisApplication.class, args);
    }
}
