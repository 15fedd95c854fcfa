package dev.halfdusk.app.outings;

import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import dev.halfdusk.app.web.Assets;
import dev.halfdusk.app.web.Words;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.util.Locale;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/** The night without server: one file for a browser, with everything in it, and a card to print. */
@Component
class OfflineCopies {

    private final ITemplateEngine templates;
    private final Clock clock;

    OfflineCopies(ITemplateEngine templates, Clock clock) {
        XRLog.setLoggingEnabled(false); // it tells of each font
        this.templates = templates;
        this.clock = clock;
    }

    /** A page that opens from a disk: styles, fonts and script are inside, its clock is that of the device. */
    String html(OutingPlanner.Arranged night) {
        Context context = context(night);
        context.setVariable("view", FieldView.of(night, clock.instant()));
        context.setVariable("styles", Assets.styles());
        context.setVariable("script", Assets.text("field.js"));
        return templates.process("outings/carried", context);
    }

    /** @param size "a6" or "a4" */
    byte[] pdf(OutingPlanner.Arranged night, String size) {
        Context context = context(night);
        context.setVariable("size", size);
        String page = templates.process("outings/card", context);
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            PdfRendererBuilder builder = new PdfRendererBuilder();
            builder.useFastMode();
            font(builder, "text-400.ttf", "Card", 400);
            font(builder, "text-700.ttf", "Card", 700);
            builder.withHtmlContent(page, null);
            builder.toStream(out);
            builder.run();
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void font(PdfRendererBuilder builder, String file, String family, int weight) {
        builder.useFont(
                () -> Assets.stream("fonts/" + file), family, weight, PdfRendererBuilder.FontStyle.NORMAL, true);
    }

    private static Context context(OutingPlanner.Arranged night) {
        Context context = new Context(Locale.ENGLISH);
        context.setVariable("outing", night.outing());
        context.setVariable("night", Words.night(night.outing().night()));
        context.setVariable("at", SheetController.at(night.outing()));
        context.setVariable("rows", SheetController.SheetRow.of(night));
        context.setVariable("bag", night.bag());
        context.setVariable("cautions", night.cautions());
        return context;
    }
}
