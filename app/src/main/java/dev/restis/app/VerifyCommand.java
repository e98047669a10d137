package dev.restis.app;

import dev.restis.app.costs.Verification;
import dev.restis.app.costs.Verification.Difference;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/** Reads the whole database of a workshop and says what does not add up; ends with 1 when something does not. */
public final class VerifyCommand {

    private VerifyCommand() {}

    /** Usage: the folder that the workshop's data lies in. */
    public static void main(String[] args) {
        int code = DatabaseCommand.run(args[0], database -> {
            Verification verification = new Verification(JdbcClient.create(
                    new DriverManagerDataSource(database.url(), database.user(), database.password())));
            List<Difference> differences = verification.differences();
            differences.forEach(d -> System.out.println(d.check() + ": " + d.what()));
            Verification.names().stream()
                    .filter(name ->
                            differences.stream().noneMatch(d -> d.check().equals(name)))
                    .forEach(name -> System.out.println("adds up: " + name));
            verification.namesOfNobody().forEach(name -> System.out.println("nobody's name, " + name));
            verification.totals().forEach((what, figure) -> System.out.println(what + ": " + figure));
            return differences.isEmpty() ? 0 : 1;
        });
        System.exit(code);
    }
}
