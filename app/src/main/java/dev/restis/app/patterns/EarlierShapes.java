package dev.restis.app.patterns;

import java.util.List;
import java.util.Map;
import java.util.Set;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Reads every shape in which patterns and stitches were ever written into the present one: what is missing gets the meaning it
 * had before it could be said. What is already in the present shape stays as it is.
 */
final class EarlierShapes {

    private static final JsonNodeFactory JSON = JsonNodeFactory.instance;
    private static final Set<String> LAYERS = Set.of("pitch", "thickness", "width");

    private EarlierShapes() {}

    /** Changes the tree in place. */
    static JsonNode brought(JsonNode node) {
        if (node instanceof ArrayNode list) {
            list.forEach(EarlierShapes::brought);
        } else if (node instanceof ObjectNode object) {
            object.values().forEach(EarlierShapes::brought);
            section(object);
            if ("weave".equals(object.path("element").asString(""))) {
                missing(object, "partners", JSON.numberNode(0));
            }
            if (object.has("through")) {
                missing(object, "rests", JSON.booleanNode(false));
            }
            if (object.has("paths")) {
                stitch(object);
            }
        }
        return node;
    }

    private static void section(ObjectNode object) {
        switch (object.path("section").asString("")) {
            case "body" -> places(object);
            case "mount" -> missing(object, "on", JSON.arrayNode());
            case "knot" -> missing(object, "tiedBy", JSON.arrayNode());
            case "buttonhole" -> {
                missing(object, "seats", seats("CORE", "WORKING"));
                missing(object, "tiedBy", seats("WORKING"));
            }
            case "end-beads" -> {
                missing(object, "together", JSON.booleanNode(false));
                missing(object, "wraps", JSON.numberNode(1));
                missing(object, "tiedBy", JSON.arrayNode());
            }
            default -> {
                // Every other section has the shape it always had.
            }
        }
    }

    /** A place of a stitch was taken by one seat before it could be taken by several. */
    private static void places(ObjectNode body) {
        if (body.get("seats") instanceof ObjectNode places) {
            for (Map.Entry<String, JsonNode> place : List.copyOf(places.properties())) {
                if (place.getValue().isString()) {
                    places.set(place.getKey(), JSON.arrayNode().add(place.getValue()));
                }
            }
        }
    }

    private static void stitch(ObjectNode stitch) {
        missing(stitch, "mirrored", JSON.booleanNode(false));
        missing(stitch, "columns", JSON.arrayNode());
        missing(stitch, "leader", JSON.numberNode(0));
        missing(stitch, "order", JSON.arrayNode());
        for (String layers : LAYERS) {
            if (stitch.get(layers) instanceof ObjectNode object) {
                missing(object, "overThick", JSON.numberNode(0));
            }
        }
    }

    private static ArrayNode seats(String... seats) {
        ArrayNode list = JSON.arrayNode();
        for (String seat : seats) {
            list.add(seat);
        }
        return list;
    }

    private static void missing(ObjectNode object, String field, JsonNode value) {
        if (!object.has(field)) {
            object.set(field, value);
        }
    }
}
