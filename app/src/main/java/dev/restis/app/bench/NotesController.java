package dev.restis.app.bench;

import dev.restis.app.bench.Notes.BenchNoteRequest;
import dev.restis.app.bench.SetUps.SetUpRequest;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What is said about a piece or a batch beside its steps. */
@RestController
@RequestMapping("/api/bench")
class NotesController {

    private final Notes notes;
    private final SetUps setUps;

    NotesController(Notes notes, SetUps setUps) {
        this.notes = notes;
        this.setUps = setUps;
    }

    @PostMapping("/notes")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void note(@RequestBody BenchNoteRequest body) {
        notes.keep(body);
    }

    @PostMapping("/notes/{id}/take-back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBackNote(@PathVariable long id) {
        notes.takeBack(id);
    }

    @PostMapping("/set-ups")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void setUp(@RequestBody SetUpRequest body) {
        setUps.keep(body);
    }

    @PostMapping("/set-ups/{id}/take-back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBackSetUp(@PathVariable long id) {
        setUps.takeBack(id);
    }
}
