package dev.halfdusk.app.api;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.halfdusk.app.outings.SheetLine;
import dev.halfdusk.core.exposure.Reason;
import io.swagger.v3.core.util.AnnotationsUtils;
import io.swagger.v3.oas.models.Components;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.Operation;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Content;
import io.swagger.v3.oas.models.media.MediaType;
import io.swagger.v3.oas.models.media.ObjectSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import io.swagger.v3.oas.models.parameters.Parameter;
import io.swagger.v3.oas.models.responses.ApiResponse;
import io.swagger.v3.oas.models.servers.Server;
import java.lang.reflect.RecordComponent;
import java.math.BigDecimal;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.customizers.OperationCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.MethodParameter;
import org.springframework.core.ResolvableType;
import org.springframework.lang.Nullable;
import org.springframework.web.method.HandlerMethod;

/** The API's description: what programs are generated from, in the words and limits that operations refuse by. */
@Configuration(proxyBeanMethods = false)
class ApiDescription {

    private static final String PROBLEM = "Problem";

    private static final List<Class<?>> OPERATIONS = List.of(
            SkyApi.class,
            NightsApi.class,
            ExposureApi.class,
            MoonApi.class,
            EclipseApi.class,
            FireworksApi.class,
            FrameApi.class,
            SequenceApi.class,
            OutingsApi.class,
            SchemasApi.class);

    /** What may be absent or null in an answer. */
    private static final Set<Class<?>> BOXES = Set.of(Double.class, Integer.class, Long.class, Boolean.class);

    private static final Map<String, String> EXAMPLES = Map.of(
            "time", "2027-06-08T22:00:00Z",
            "from", "2027-06-01T00:00:00Z",
            "to", "2027-07-01T00:00:00Z",
            "date", "2027-08-02",
            "zone", "Europe/Lisbon",
            "body", "moon",
            "file", "kit");

    @Bean
    OpenAPI openApi() {
        Schema<?> problem = new ObjectSchema()
                .description("why something is refused (RFC 9457)")
                .addProperty("type", new StringSchema())
                .addProperty("title", new StringSchema())
                .addProperty("status", new Schema<Integer>().type("integer").types(Set.of("integer")))
                .addProperty("detail", new StringSchema().description("in a sentence"))
                .addProperty("instance", new StringSchema())
                .addProperty("parameter", new StringSchema().description("which it is about"))
                .addProperty("allowed", new StringSchema().description("what it may be"))
                .required(List.of("status", "detail"));
        return new OpenAPI()
                .components(new Components().addSchemas(PROBLEM, problem))
                .info(new Info()
                        .title("Half Dusk")
                        .version("1")
                        .description("Sky, optics and exposure for night photography. Units are in the names of the"
                                + " fields; refusals are problem+json with what is allowed."))
                .servers(List.of(new Server().url("/")));
    }

    /** Ranges, examples and words of parameters; refusals. */
    @Bean
    OperationCustomizer parameters() {
        return (operation, method) -> {
            if (operation.getParameters() != null) {
                operation.getParameters().forEach(p -> describe(p, method));
            }
            refusals(operation);
            return operation;
        };
    }

    private static void describe(Parameter p, HandlerMethod method) {
        MethodParameter of = Arrays.stream(method.getMethodParameters())
                .filter(m -> p.getName().equals(m.getParameter().getName()))
                .findFirst()
                .orElse(null);
        if (of == null) {
            return;
        }
        Schema<?> schema = AnnotationsUtils.clone(p.getSchema(), true); // those that look alike are one
        p.setSchema(schema);
        ApiQuantities.of(path(method), p.getName()).ifPresent(q -> {
            if (Math.abs(q.range().max()) < 1e15) {
                schema.setMinimum(BigDecimal.valueOf(q.range().min()));
                schema.setMaximum(BigDecimal.valueOf(q.range().max()));
            }
            p.setExample(whole(of) ? (Object) (long) q.example() : (Object) q.example());
            p.setDescription(p.getDescription() == null ? q.words() : p.getDescription());
        });
        OldNames.before(path(method), p.getName())
                .ifPresent(old -> p.setDescription((p.getDescription() == null ? "" : p.getDescription() + "; ")
                        + "was " + old + ", still taken"));
        Class<?> one = of.nestedIfOptional().getNestedParameterType();
        Class<?> listed = ResolvableType.forMethodParameter(of)
                .as(java.util.Collection.class)
                .getGeneric()
                .resolve();
        if (one.isEnum()) {
            enumerate(schema, one);
        } else if (listed != null && listed.isEnum() && schema.getItems() != null) {
            enumerate(schema.getItems(), listed);
        }
        String example = "LocalDate".equals(one.getSimpleName()) ? EXAMPLES.get("date") : EXAMPLES.get(p.getName());
        if (p.getExample() == null && example != null) {
            p.setExample(example);
        }
    }

    private static boolean whole(MethodParameter of) {
        return of.getParameterType() == int.class || of.getParameterType() == long.class;
    }

    @SuppressWarnings("unchecked")
    private static void enumerate(Schema<?> schema, Class<?> type) {
        ((Schema<String>) schema).setEnum(words(type));
        if (schema.getDefault() != null) {
            ((Schema<String>) schema).setDefault(schema.getDefault().toString().toLowerCase(Locale.ROOT));
        }
    }

    /** The constants of an enumeration as they are written in addresses. */
    static List<String> words(Class<?> type) {
        return Arrays.stream(type.getEnumConstants())
                .map(c -> ((Enum<?>) c).name().toLowerCase(Locale.ROOT).replace('_', '-'))
                .toList();
    }

    private static String path(HandlerMethod method) {
        var all = method.getBeanType().getAnnotation(org.springframework.web.bind.annotation.RequestMapping.class);
        var own = method.getMethodAnnotation(org.springframework.web.bind.annotation.GetMapping.class);
        return (all == null ? "" : all.value()[0]) + (own == null || own.value().length == 0 ? "" : own.value()[0]);
    }

    private static void refusals(Operation operation) {
        operation.getResponses().remove("404");
        operation.getResponses().addApiResponse("400", refused("a parameter cannot be used"));
        operation.getResponses().addApiResponse("503", refused("the data are locked by another program; try again"));
        if (operation.getParameters() != null
                && operation.getParameters().stream().anyMatch(p -> "path".equals(p.getIn()))) {
            operation.getResponses().addApiResponse("404", refused("there is no such thing"));
        }
    }

    private static ApiResponse refused(String why) {
        Schema<?> problem = new Schema<>().$ref("#/components/schemas/" + PROBLEM);
        return new ApiResponse()
                .description(why)
                .content(new Content().addMediaType("application/problem+json", new MediaType().schema(problem)));
    }

    /** Which fields an answer always has, and which may be null; what pictures are. */
    @Bean
    OpenApiCustomizer answers() {
        return api -> {
            OPERATIONS.forEach(operations -> Arrays.stream(operations.getDeclaredClasses())
                    .filter(Class::isRecord)
                    .forEach(record -> require(api.getComponents().getSchemas().get(record.getSimpleName()), record)));
            require(api.getComponents().getSchemas().get(SheetLine.class.getSimpleName()), SheetLine.class);
            require(api.getComponents().getSchemas().get(Reason.class.getSimpleName()), Reason.class);
            List.of("/api/outings/schema", "/api/schemas/{file}")
                    .forEach(path -> api.getPaths()
                            .get(path)
                            .getGet()
                            .getResponses()
                            .get("200")
                            .getContent()
                            .get("application/json")
                            .setSchema(new ObjectSchema()));
            api.getPaths().forEach((path, item) -> {
                String kind = path.substring(path.lastIndexOf('.') + 1);
                if (List.of("png", "tiff").contains(kind)) {
                    item.getGet()
                            .setOperationId(
                                    "photograph" + kind.substring(0, 1).toUpperCase(Locale.ROOT) + kind.substring(1));
                    Schema<?> bytes = new Schema<>()
                            .type("string")
                            .types(Set.of("string"))
                            .format("binary");
                    item.getGet()
                            .getResponses()
                            .get("200")
                            .setContent(new Content().addMediaType("image/" + kind, new MediaType().schema(bytes)));
                }
            });
        };
    }

    private static Schema<?> property(Schema<?> schema, RecordComponent c) {
        return (Schema<?>) schema.getProperties().get(c.getName());
    }

    private static void require(@Nullable Schema<?> schema, Class<?> record) {
        if (schema == null || schema.getProperties() == null) {
            return;
        }
        schema.types(Set.of("object")); // whether one may be absent is a matter of who holds it
        boolean leavesOut = record.isAnnotationPresent(JsonInclude.class);
        for (RecordComponent c : record.getRecordComponents()) {
            if (property(schema, c) != null && property(schema, c).get$ref() != null) {
                property(schema, c).types(null).type(null).nullable(null); // a reference is what it refers to
            }
            boolean optional = BOXES.contains(c.getType()) || c.getAccessor().isAnnotationPresent(Nullable.class);
            Schema<?> property = property(schema, c);
            if (property == null || optional && leavesOut) {
                continue;
            }
            schema.addRequiredItem(c.getName());
            if (optional && property.get$ref() == null) {
                property.addType("null");
            }
        }
    }
}
