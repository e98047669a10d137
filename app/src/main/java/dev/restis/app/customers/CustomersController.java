package dev.restis.app.customers;

import dev.restis.app.customers.CustomerList.CustomerRow;
import dev.restis.app.customers.Customers.CustomerView;
import dev.restis.app.platform.Keyset;
import dev.restis.app.platform.Made;
import dev.restis.core.measure.UnitSystem;
import java.io.IOException;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

@RestController
@RequestMapping("/api/customers")
class CustomersController {

    /** @param into whose name it is from now on */
    record MergeRequest(long into) {}

    private final Customers customers;
    private final CustomerList list;
    private final CustomerFile file;
    private final JsonMapper json =
            JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    CustomersController(Customers customers, CustomerList list, CustomerFile file) {
        this.list = list;
        this.customers = customers;
        this.file = file;
    }

    @GetMapping
    Keyset<CustomerRow> customers(
            @RequestParam(defaultValue = "") String query, @RequestParam(required = false) @Nullable String after) {
        return list.page(query, after);
    }

    @PostMapping
    Made add(@RequestBody CustomerDetails body) {
        return new Made(customers.add(body));
    }

    @GetMapping("/{id}")
    CustomerView customer(@PathVariable long id) {
        return customers.look(id);
    }

    @PutMapping("/{id}")
    void change(@PathVariable long id, @RequestBody CustomerDetails body) {
        customers.change(id, body);
    }

    @PostMapping("/{id}/merge")
    void merge(@PathVariable long id, @RequestBody MergeRequest body) {
        customers.merge(id, body.into());
    }

    @PostMapping("/{id}/separate")
    void separate(@PathVariable long id) {
        customers.separate(id);
    }

    @PostMapping("/{id}/forget")
    void forget(@PathVariable long id) {
        customers.forget(id);
    }

    @GetMapping(value = "/{id}/export.json", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> export(@PathVariable long id) {
        Map<String, Object> all = customers.everything(id);
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=customer-" + id + ".json")
                .body(json.writeValueAsString(all));
    }

    @GetMapping(value = "/file.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> csv() {
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=customers.csv")
                .body(file.csv());
    }

    @PostMapping(value = "/file", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    CustomerFile.CustomersRead take(@RequestPart MultipartFile file, @RequestParam UnitSystem units)
            throws IOException {
        return this.file.take(file.getBytes(), units);
    }
}
