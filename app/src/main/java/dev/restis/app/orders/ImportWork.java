package dev.restis.app.orders;

import dev.restis.app.orders.OrderImport.Mode;
import dev.restis.app.orders.OrderImport.Request;
import dev.restis.app.platform.jobs.Jobs;
import dev.restis.app.platform.jobs.RunningJob;
import dev.restis.app.platform.jobs.Work;
import dev.restis.app.workshop.Workshop;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;

/** Takes files of orders as long work: a large one takes a while, can be stopped, and goes on where it was not begun by whom. */
@Service
class ImportWork implements Work {

    static final String KIND = "import";

    /** How a file is to be taken, beside the file. */
    private record Input(Request how, Mode mode) {}

    private final OrderImport imports;
    private final Jobs jobs;
    private final JsonMapper json;

    ImportWork(OrderImport imports, Jobs jobs, JsonMapper json) {
        this.imports = imports;
        this.jobs = jobs;
        this.json = json;
    }

    /** Answers the job. */
    long ask(byte[] file, Request how, Mode mode) {
        String input = json.writeValueAsString(new Input(how, mode));
        return jobs.ask(new Jobs.Asked(KIND, how.from(), 0, input, file), Workshop.whoever());
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public String work(RunningJob job) {
        Input input = json.readValue(job.input(), Input.class);
        return json.writeValueAsString(imports.take(
                job.payload(),
                input.how(),
                input.mode(),
                job::progress,
                // Killed after this, it is not taken again.
                view -> jobs.keep(job, json.writeValueAsString(view))));
    }
}
