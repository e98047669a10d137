package dev.restis.app.workplan;

import dev.restis.app.platform.CsvText;
import dev.restis.app.platform.Pdf;
import dev.restis.app.platform.Texts;
import dev.restis.app.workplan.BoardReads.BoardBlockView;
import dev.restis.app.workplan.BoardReads.BoardCordView;
import dev.restis.app.workplan.BoardReads.BoardDayView;
import dev.restis.app.workplan.BoardReads.BoardMakerView;
import dev.restis.app.workplan.BoardReads.BoardOrderView;
import dev.restis.app.workplan.BoardReads.WorkBoardView;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.ParameterList;
import net.fortuna.ical4j.model.PropertyList;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.DtStart;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Summary;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import org.jspecify.annotations.Nullable;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Service;

/** The published plan as files: for calendars, for spreadsheets, for paper. */
@Service
class PlanFiles {

    private static final int DAYS = 28;
    private static final int MINUTE = 60;

    /** A batch of a day as a file has it. */
    record PlanFileRow(
            LocalDate day,
            String maker,
            String state,
            int pieces,
            List<String> patterns,
            List<String> cords,
            List<String> orders,
            @Nullable LocalDate firstDue,
            int seconds,
            int setUpSeconds,
            int toCut) {}

    private final BoardReads reads;
    private final MessageSource messages;
    private final Clock clock;

    PlanFiles(BoardReads reads, MessageSource messages, Clock clock) {
        this.reads = reads;
        this.messages = messages;
        this.clock = clock;
    }

    /** Everything from today on, as far as is shown at once. */
    List<PlanFileRow> rows(@Nullable Long person) {
        List<PlanFileRow> rows = new ArrayList<>();
        each(
                person,
                (maker, day, block) -> rows.add(new PlanFileRow(
                        day.day(),
                        maker.name(),
                        block.state().name(),
                        block.pieces(),
                        block.patterns(),
                        block.cords().stream().map(BoardCordView::code).toList(),
                        block.orders().stream().map(BoardOrderView::reference).toList(),
                        block.firstDue(),
                        block.seconds(),
                        block.setUpSeconds(),
                        block.toCut())));
        return rows;
    }

    private interface EachBlock {
        void of(BoardMakerView maker, BoardDayView day, BoardBlockView block);
    }

    private WorkBoardView each(@Nullable Long person, EachBlock each) {
        WorkBoardView board = reads.board(null, DAYS, person, true);
        for (LocalDate day : board.days()) {
            for (BoardMakerView maker : board.makers()) {
                maker.days().stream()
                        .filter(d -> d.day().equals(day))
                        .forEach(d -> d.blocks().forEach(b -> each.of(maker, d, b)));
            }
        }
        return board;
    }

    String csv(@Nullable Long person) {
        List<List<Object>> cells = new ArrayList<>();
        for (PlanFileRow row : rows(person)) {
            List<Object> cell = new ArrayList<>();
            cell.add(row.day());
            cell.add(row.maker());
            cell.add(row.state());
            cell.add(row.pieces());
            cell.add(String.join(" + ", row.patterns()));
            cell.add(String.join(" + ", row.cords()));
            cell.add(String.join(" + ", row.orders()));
            cell.add(row.firstDue() == null ? "" : row.firstDue());
            cell.add(row.seconds() / MINUTE);
            cell.add(row.setUpSeconds() / MINUTE);
            cell.add(row.toCut());
            cells.add(cell);
        }
        return CsvText.of(
                List.of(
                        "day",
                        "maker",
                        "state",
                        "pieces",
                        "patterns",
                        "cords",
                        "orders",
                        "first_due",
                        "minutes",
                        "set_up_minutes",
                        "to_cut"),
                cells);
    }

    /**
     * An event for each batch of a day: pieces, cords and setting up, and no customer's name, because a calendar's address goes further
     * than the house.
     */
    String calendar(@Nullable Long person) {
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Restis//Plan//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        each(person, (maker, day, block) -> {
            VEvent event = new VEvent(new PropertyList(List.of()));
            event.add(new DtStamp(clock.instant()));
            event.add(new DtStart<>(new ParameterList(), day.day()));
            event.add(new Uid(
                    day.day() + "-" + maker.person() + "-" + block.parcels().get(0) + "@restis"));
            event.add(new Summary(words("plan.ics.summary", maker.name(), batch(block))));
            event.add(new Description(words(
                    "plan.ics.words",
                    block.cords().stream().map(BoardCordView::name).collect(Collectors.joining(", ")),
                    block.seconds() / MINUTE,
                    block.setUpSeconds() / MINUTE)));
            calendar.add(event);
        });
        return calendar.toString();
    }

    /** By day and maker, with a place to tick. */
    byte[] pdf(@Nullable Long person, Pdf.Paper paper) {
        StringBuilder body = new StringBuilder();
        List<LocalDate> shown = new ArrayList<>();
        WorkBoardView board = each(person, (maker, day, block) -> {
            if (!shown.contains(day.day())) {
                body.append(shown.isEmpty() ? "" : "</table>")
                        .append("<h2>")
                        .append(Pdf.text(Texts.day(day.day())))
                        .append("</h2><table>");
                shown.add(day.day());
            }
            body.append("<tr><td style='width:7mm'>\u25a1</td><td style='width:24mm' class='strong'>")
                    .append(Pdf.text(maker.name()))
                    .append("</td><td>")
                    .append(Pdf.text(batch(block)))
                    .append("<div class='small'>")
                    .append(Pdf.text(block.cords().stream()
                            .map(c -> c.name() + " " + c.code())
                            .collect(Collectors.joining(", "))))
                    .append("</div></td><td>")
                    .append(Pdf.text(block.orders().stream()
                            .map(BoardOrderView::reference)
                            .collect(Collectors.joining(", "))))
                    .append("</td><td class='right'>")
                    .append(Pdf.text(
                            words("plan.sheet.minutes", block.seconds() / MINUTE, block.setUpSeconds() / MINUTE)))
                    .append("</td></tr>");
        });
        String title = words("plan.sheet.title");
        body.append(shown.isEmpty() ? "<p>" + Pdf.text(words("plan.sheet.none")) + "</p>" : "</table>");
        String head = "<h1>" + Pdf.text(title) + "</h1><p class='small'>"
                + Pdf.text(Optional.ofNullable(board.plan())
                        .map(p -> words("plan.sheet.made", Texts.day(p.fromDay()), p.madeBy()))
                        .orElse(""))
                + "</p>";
        return Pdf.of(title, head + body, paper);
    }

    /** How many pieces of what are done on the day; a piece that only goes on then counts on the day it is done. */
    private String batch(BoardBlockView block) {
        String patterns = String.join(", ", block.patterns());
        return block.pieces() == 0
                ? words("plan.sheet.goesOn", patterns)
                : words("plan.sheet.batch", block.pieces(), patterns);
    }

    private String words(String code, @Nullable Object... args) {
        return Texts.words(messages, code, args);
    }
}
