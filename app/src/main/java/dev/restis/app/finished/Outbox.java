package dev.restis.app.finished;

import dev.restis.app.finished.Letter.Message;
import java.io.IOException;
import java.time.Instant;

/**
 * Where messages leave the house. The one that ships keeps them as files; one that sends them by mail takes its place without anything else
 * knowing.
 */
interface Outbox {

    /**
     * Takes a message on. One may be given twice, when an instance was killed in between; its number tells.
     *
     * @param from the name of the house
     * @throws IOException when it could not; it is given again later
     */
    void take(long number, Message message, String from, Instant at) throws IOException;
}
