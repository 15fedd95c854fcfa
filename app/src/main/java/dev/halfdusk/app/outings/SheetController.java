package dev.halfdusk.app.outings;

import com.fasterxml.jackson.databind.ObjectMapper;
import dev.halfdusk.app.pictures.PolePicture;
import dev.halfdusk.app.pictures.QrPicture;
import dev.halfdusk.app.web.Attachment;
import dev.halfdusk.app.web.Installation;
import dev.halfdusk.app.web.Network;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.night.PoleSigns;
import dev.halfdusk.core.outing.Checklist;
import dev.halfdusk.core.outing.PoleOfNight;
import dev.halfdusk.core.sky.Site;
import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The run sheet of an outing with its bag and cautions: to read, to tick off, to print, to take along. */
@Controller
@RequestMapping("/outings/{id:\\d{1,18}}/sheet")
class SheetController {

    private final Outings outings;
    private final OutingPlanner evening;
    private final OfflineCopies carried;
    private final ObjectMapper json;
    private final Installation installation;
    private final Network network;
    private final Clock clock;

    SheetController(
            Outings outings,
            OutingPlanner evening,
            OfflineCopies carried,
            ObjectMapper json,
            Installation installation,
            Network network,
            Clock clock) {
        this.network = network;
        this.installation = installation;
        this.outings = outings;
        this.evening = evening;
        this.carried = carried;
        this.json = json;
        this.clock = clock;
    }

    /** A line of the sheet. */
    public record SheetRow(String clock, String utc, String what, boolean act) {

        static List<SheetRow> of(OutingPlanner.Arranged night) {
            ZoneId zone = night.outing().place().zone();
            return night.sheet().stream()
                    .map(l -> new SheetRow(
                            Words.clockSeconds(l.when(), zone),
                            Words.clockSeconds(l.when(), ZoneOffset.UTC),
                            l.what(),
                            l.act()))
                    .toList();
        }
    }

    /** How to find the pole. */
    public record PoleView(String at, String pole, List<String> ways, PolePicture picture) {

        static PoleView of(OutingPlanner.Arranged night) {
            PoleOfNight pole = PoleOfNight.of(night.c(), night.schedule());
            return new PoleView(
                    pole.clock(),
                    pole.words(),
                    pole.signs().signs().stream().map(PoleSigns.Sign::words).toList(),
                    PolePicture.of(pole.signs()));
        }
    }

    /** Something for the bag. */
    public record BagRow(String what, String why, boolean packed) {}

    @GetMapping
    String sheet(@PathVariable long id, Model model, HttpServletRequest request) {
        Outing outing = outings.existing(id);
        OutingPlanner.Arranged night = evening.of(outing);
        List<BagRow> bag = bag(night.bag(), outings.packed(id));
        model.addAttribute("outing", outing);
        model.addAttribute("night", Words.night(outing.night()));
        model.addAttribute("at", at(outing));
        model.addAttribute("rows", SheetRow.of(night));
        model.addAttribute("bag", bag);
        model.addAttribute("packed", bag.stream().filter(BagRow::packed).count());
        model.addAttribute("pole", PoleView.of(night));
        model.addAttribute("cautions", night.cautions());
        model.addAttribute("clashes", night.clashes());
        network.addresses().stream().findFirst().ifPresent(host -> {
            String address = "http://" + host + ":" + request.getServerPort() + "/outings/" + id + "/field";
            model.addAttribute("phone", address);
            model.addAttribute("code", QrPicture.of(address));
        });
        return "outings/sheet";
    }

    /** "Salt Ledge, 37.6012°, −8.7921°", one after another. */
    static String at(Outing outing) {
        return outing.places().stream()
                .distinct()
                .map(p -> p.name() + ", " + at(p.site()))
                .collect(Collectors.joining("; "));
    }

    /** "37.6012°, −8.7921°". */
    private static String at(Site site) {
        return Words.number(site.latitudeDeg(), 4) + "\u00b0, " + Words.number(site.longitudeDeg(), 4) + "\u00b0";
    }

    private static List<BagRow> bag(List<Checklist.Item> items, Set<String> packed) {
        return items.stream()
                .map(i -> new BagRow(i.what(), i.why(), packed.contains(i.what())))
                .toList();
    }

    /** Ticks something of the bag off, or takes it out again. */
    @PostMapping("/bag")
    String pack(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String what,
            @RequestParam(defaultValue = "") String packed) {
        Outing outing = outings.existing(id);
        if (evening.of(outing).bag().stream().anyMatch(i -> i.what().equals(what))) {
            outings.pack(id, what, !packed.isEmpty());
        }
        return "redirect:/outings/" + id + "/sheet#bag";
    }

    /** The sheet as a table or as JSON, the takes as a calendar, the programs for a timer, all of it for a browser without server. */
    @GetMapping("/night.{format:csv|json|ics|txt|html}")
    ResponseEntity<String> file(@PathVariable long id, @PathVariable String format) {
        OutingPlanner.Arranged night = evening.of(outings.existing(id));
        String name = name(night.outing(), "night." + format);
        return switch (format) {
            case "csv" -> Attachment.of(name, "text/csv", SheetFiles.csv(night));
            case "json" -> Attachment.of(name, "application/json", SheetFiles.json(night, json));
            case "txt" -> Attachment.of(name, "text/plain", SheetFiles.timers(night));
            case "html" -> Attachment.of(name, "text/html", carried.html(night));
            default -> Attachment.of(name, "text/calendar", SheetFiles.calendar(night, clock.instant(), installation));
        };
    }

    /** A card for the pocket, or a page. */
    @GetMapping("/card-{size:a6|a4}.pdf")
    ResponseEntity<byte[]> card(@PathVariable long id, @PathVariable String size) {
        Outing outing = outings.existing(id);
        return Attachment.of(
                name(outing, "card-" + size + ".pdf"), "application/pdf", carried.pdf(evening.of(outing), size));
    }

    private static String name(Outing outing, String rest) {
        return Attachment.name(outing.title(), outing.night(), rest);
    }
}
