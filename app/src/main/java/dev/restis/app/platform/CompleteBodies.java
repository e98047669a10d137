package dev.restis.app.platform;

import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.measure.Fault;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.core.MethodParameter;
import org.springframework.http.HttpInputMessage;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.RequestBodyAdviceAdapter;

/**
 * Refuses request bodies that lack a part which is not marked nullable, naming each, so that no controller meets a null
 * that its types rule out.
 */
@RestControllerAdvice
class CompleteBodies extends RequestBodyAdviceAdapter {

    @Override
    public boolean supports(MethodParameter parameter, Type type, Class<? extends HttpMessageConverter<?>> converter) {
        return parameter.getParameterType().isRecord();
    }

    @Override
    public Object afterBodyRead(
            Object body,
            HttpInputMessage message,
            MethodParameter parameter,
            Type type,
            Class<? extends HttpMessageConverter<?>> converter) {
        List<Fault> faults = new ArrayList<>();
        look(body, "", faults);
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        return body;
    }

    private static void look(@Nullable Object value, String path, List<Fault> faults) {
        if (value instanceof List<?> list) {
            for (int i = 0; i < list.size(); i++) {
                Object item = list.get(i);
                if (item == null) {
                    faults.add(Fault.of(path + "[" + i + "]", "missing"));
                }
                look(item, path + "[" + i + "]", faults);
            }
        } else if (value instanceof Map<?, ?> map) {
            map.forEach((key, item) -> {
                String at = path + "[" + key + "]";
                if (item == null) {
                    faults.add(Fault.of(at, "missing"));
                }
                look(item, at, faults);
            });
        } else if (value instanceof Record && value.getClass().getName().startsWith("dev.restis.")) {
            for (RecordComponent component : value.getClass().getRecordComponents()) {
                String name = path.isEmpty() ? component.getName() : path + "." + component.getName();
                Object part = read(component, value);
                if (part != null) {
                    look(part, name, faults);
                } else if (!component.getAnnotatedType().isAnnotationPresent(Nullable.class)) {
                    faults.add(Fault.of(name, "missing"));
                }
            }
        }
    }

    private static @Nullable Object read(RecordComponent component, Object record) {
        try {
            component.getAccessor().setAccessible(true);
            return component.getAccessor().invoke(record);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException("Impossible state: " + component + " cannot be read", e);
        }
    }
}
