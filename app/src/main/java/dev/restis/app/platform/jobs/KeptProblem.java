package dev.restis.app.platform.jobs;

import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Why a job failed, as codes and figures: words are found when somebody reads it.
 *
 * @param status as HTTP has it
 */
record KeptProblem(int status, String code, List<Object> args, List<Fault> faults) {

    static final KeptProblem UNEXPECTED = new KeptProblem(500, "unexpected", List.of(), List.of());

    private static final JsonMapper JSON = JsonMapper.builder().build();
    /** A length among the figures, in micrometres: it is shown in whatever units the reader has. */
    private static final String LENGTH = "um";

    static KeptProblem of(RuntimeException told) {
        if (told instanceof Rejected rejected) {
            return new KeptProblem(422, "rejected", List.of(), rejected.faults());
        }
        if (told instanceof Conflict conflict) {
            return new KeptProblem(409, conflict.code(), List.of(conflict.args()), List.of());
        }
        if (told instanceof NotFound missing) {
            return new KeptProblem(404, missing.code(), List.of(), List.of());
        }
        return UNEXPECTED;
    }

    String json() {
        ObjectNode node = JSON.createObjectNode();
        node.put("status", status);
        node.put("code", code);
        node.set("args", written(args));
        ArrayNode list = node.putArray("faults");
        for (Fault fault : faults) {
            ObjectNode one = list.addObject();
            one.put("field", fault.field());
            one.put("code", fault.code());
            one.set("args", written(fault.args()));
        }
        return JSON.writeValueAsString(node);
    }

    private static ArrayNode written(List<Object> args) {
        ArrayNode array = JSON.createArrayNode();
        for (Object arg : args) {
            if (arg instanceof Length length) {
                array.addObject().put(LENGTH, length.micrometres());
            } else if (arg instanceof Number number) {
                array.add(new BigDecimal(number.toString()));
            } else {
                array.add(arg.toString());
            }
        }
        return array;
    }

    static KeptProblem read(String json) {
        JsonNode node = JSON.readTree(json);
        List<Fault> faults = new ArrayList<>();
        node.path("faults")
                .forEach(f -> faults.add(
                        new Fault(f.path("field").asString(), f.path("code").asString(), args(f.path("args")))));
        return new KeptProblem(
                node.path("status").asInt(), node.path("code").asString(), args(node.path("args")), faults);
    }

    private static List<Object> args(JsonNode array) {
        List<Object> args = new ArrayList<>();
        for (JsonNode arg : array) {
            if (arg.isObject()) {
                args.add(new Length(arg.path(LENGTH).asLong()));
            } else if (arg.isIntegralNumber()) {
                args.add(arg.asLong());
            } else if (arg.isNumber()) {
                args.add(arg.decimalValue());
            } else {
                args.add(arg.asString());
            }
        }
        return args;
    }
}
