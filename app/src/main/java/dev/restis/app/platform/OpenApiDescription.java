package dev.restis.app.platform;

import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.converter.ModelConverters;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Content;
import io.swagger.v3.oas.models.media.MediaType;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.responses.ApiResponse;
import io.swagger.v3.oas.models.servers.Server;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Describes the API from the records it speaks in; a component is required unless it is marked nullable. */
@Configuration(proxyBeanMethods = false)
class OpenApiDescription {

    /**
     * The body of every answer that is no success, as {@link ProblemAdvice} makes it.
     *
     * @param request what the log calls the request
     */
    record ProblemView(
            String title,
            String detail,
            int status,
            String code,
            @Nullable String request,
            @Nullable List<FieldProblem> fields) {}

    @Bean
    OpenAPI restisApi() {
        return new OpenAPI().info(new Info().title("Restis").version("1")).servers(List.of(new Server().url("/")));
    }

    @Bean
    OpenApiCustomizer everyOperationMayFail() {
        return api -> {
            ModelConverters models = new ModelConverters();
            models.addConverter(new RequiredComponents());
            models.readAll(ProblemView.class)
                    .forEach((name, schema) -> api.getComponents().addSchemas(name, schema));
            Content problem = new Content()
                    .addMediaType(
                            "application/problem+json",
                            new MediaType().schema(new Schema<>().$ref("#/components/schemas/ProblemView")));
            api.getPaths().values().stream()
                    .flatMap(path -> path.readOperations().stream())
                    .forEach(operation -> operation
                            .getResponses()
                            .addApiResponse(
                                    "default",
                                    new ApiResponse().description("A problem").content(problem)));
        };
    }

    @Bean
    ModelConverter recordComponentsAreRequired() {
        return new RequiredComponents();
    }

    private static final class RequiredComponents implements ModelConverter {
        @Override
        public @Nullable Schema<?> resolve(
                AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
            if (!chain.hasNext()) {
                return null;
            }
            Schema<?> schema = chain.next().resolve(type, context, chain);
            JavaType javaType = Json.mapper().constructType(type.getType());
            if (schema != null && javaType != null && javaType.getRawClass().isRecord()) {
                markRequired(javaType.getRawClass(), schema, context);
            }
            return schema;
        }

        private static void markRequired(Class<?> type, Schema<?> schema, ModelConverterContext context) {
            String ref = schema.get$ref();
            Schema<?> model =
                    ref == null ? schema : context.getDefinedModels().get(ref.substring(ref.lastIndexOf('/') + 1));
            if (model == null || model.getProperties() == null) {
                return;
            }
            List<String> required = new ArrayList<>();
            for (RecordComponent component : type.getRecordComponents()) {
                boolean nullable = component.getAnnotatedType().isAnnotationPresent(Nullable.class);
                if (!nullable && model.getProperties().containsKey(component.getName())) {
                    required.add(component.getName());
                }
            }
            model.setRequired(required);
        }
    }
}
