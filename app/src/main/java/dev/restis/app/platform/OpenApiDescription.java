package dev.restis.app.platform;

import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Describes the API from the records it speaks in; a component is required unless it is marked nullable. */
@Configuration(proxyBeanMethods = false)
class OpenApiDescription {

    @Bean
    OpenAPI restisApi() {
        return new OpenAPI().info(new Info().title("Restis").version("1"));
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
