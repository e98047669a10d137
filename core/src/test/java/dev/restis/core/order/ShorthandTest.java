package dev.restis.core.order;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.restis.core.measure.Length;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.order.Reading.Choice;
import dev.restis.core.order.Reading.Kind;
import dev.restis.core.order.Reading.Line;
import dev.restis.core.order.Reading.Mark;
import dev.restis.core.order.Vocabulary.CordPlace;
import dev.restis.core.order.Vocabulary.CordWord;
import dev.restis.core.order.Vocabulary.PartPlace;
import dev.restis.core.order.Vocabulary.PartWord;
import dev.restis.core.order.Vocabulary.PatternWord;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.StringJoiner;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ShorthandTest {

    /** A Wednesday. */
    private static final LocalDate TODAY = LocalDate.of(2031, 3, 5);

    private static final Vocabulary WORDS = new Vocabulary(
            List.of(
                    new PatternWord(
                            "square-bar",
                            "Square-knot bar with slider",
                            true,
                            cords(2000, "core", "working"),
                            List.of(new PartPlace("bead", "BEAD", true))),
                    new PatternWord(
                            "snake", "Snake-knot band with slider", true, cords(2000, "first", "second"), List.of()),
                    new PatternWord(
                            "spiral-fob",
                            "Spiral key fob on a ring",
                            false,
                            cords(2000, "core", "working"),
                            List.of(new PartPlace("ring", "RING", false))),
                    new PatternWord(
                            "spiral-bar",
                            "Half-knot spiral with slider",
                            true,
                            cords(2000, "core", "working"),
                            List.of()),
                    new PatternWord(
                            "figure-eight-4",
                            "Wide figure-eight band",
                            true,
                            cords(3000, "first", "second"),
                            List.of(new PartPlace("buckle", "BUCKLE", false)))),
            List.of(
                    cord("NT2", "Night Tide", 2000),
                    cord("EM2", "Ember", 2000),
                    cord("EM3", "Ember", 3000),
                    cord("OA2", "Oat", 2000),
                    cord("OA25", "Oat", 2500),
                    cord("HE2", "Heather", 2000),
                    cord("HW2", "Heather White", 2000),
                    cord("PI3", "Pitch", 3000),
                    cord("CH2", "Chalk", 2000)),
            List.of(
                    new PartWord("HB9", "Harbour bead", "BEAD"),
                    new PartWord("PB6", "Pebble bead", "BEAD"),
                    new PartWord("RG25", "Split ring 25", "RING"),
                    new PartWord("RG30", "Split ring 30", "RING"),
                    new PartWord("BK16", "Side-release buckle 16", "BUCKLE")),
            List.of("XS", "S", "M", "L", "XL"));

    @ParameterizedTest(name = "{0}")
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
            square-bar 16.5 oat ember                      | square-bar x1 wrist=16.5 core=OA2 working=EM2
            3 square-bar 16.5 oat ember                    | square-bar x3 wrist=16.5 core=OA2 working=EM2
            3x square-bar 16.5 oat ember                   | square-bar x3 wrist=16.5 core=OA2 working=EM2
            ember square-bar oat 3 harbour m               | square-bar x1 size=M core=EM2 working=OA2 bead=HB9*3
            SQUARE-BAR M OAT EMBER                         | square-bar x1 size=M core=OA2 working=EM2
            square bar m oat ember                         | square-bar x1 size=M core=OA2 working=EM2
            sq m oat ember                                 | square-bar x1 size=M core=OA2 working=EM2
            square-bar 17 oat ember                        | square-bar x1 wrist=17 core=OA2 working=EM2
            17 square-bar oat ember                        | square-bar x17 core=OA2 working=EM2
            2 square-bar 17 oat ember                      | square-bar x2 wrist=17 core=OA2 working=EM2
            square-bar 18,5 oat ember                      | square-bar x1 wrist=18,5 core=OA2 working=EM2
            square-bar 165mm oat ember                     | square-bar x1 wrist=165mm core=OA2 working=EM2
            square-bar 165 mm oat ember                    | square-bar x1 wrist=165 mm core=OA2 working=EM2
            square-bar 7 1/4 oat ember                     | square-bar x1 wrist=7 1/4 core=OA2 working=EM2
            square-bar 7 1/4 in oat ember                  | square-bar x1 wrist=7 1/4 in core=OA2 working=EM2
            square-bar 7 1/4 in 5d oat ember               | square-bar x1 wrist=7 1/4 core=OA2 working=EM2 due=2031-03-10
            square-bar 7 1/4in oat                         | square-bar x1 wrist=7 1/4in core=OA2
            square-bar w16.5 h21 oat ember                 | square-bar x1 wrist=16.5 hand=21 core=OA2 working=EM2
            square-bar h21,5cm m oat ember                 | square-bar x1 size=M hand=21,5cm core=OA2 working=EM2
            square-bar m core.oat working.ember            | square-bar x1 size=M core=OA2 working=EM2
            square-bar m working.ember oat                 | square-bar x1 size=M core=OA2 working=EM2
            square-bar m w.ember c.oat                     | square-bar x1 size=M core=OA2 working=EM2
            square-bar m all.oat                           | square-bar x1 size=M core=OA2 working=OA2
            square-bar m oat oat                           | square-bar x1 size=M core=OA2 working=OA2
            square-bar m oa2 em2                           | square-bar x1 size=M core=OA2 working=EM2
            square-bar m night tide ember                  | square-bar x1 size=M core=NT2 working=EM2
            square-bar m core.night tide ember             | square-bar x1 size=M core=NT2 working=EM2
            square-bar m tide ember                        | square-bar x1 size=M core=NT2 working=EM2
            square-bar m nig emb                           | square-bar x1 size=M core=NT2 working=EM2
            square-bar m heather ember                     | square-bar x1 size=M core=HE2 working=EM2
            square-bar m heather white ember               | square-bar x1 size=M core=HW2 working=EM2
            square-bar m white ember                       | square-bar x1 size=M core=HW2 working=EM2
            figure-eight-4 m pitch ember bk16              | figure-eight-4 x1 size=M first=PI3 second=EM3 buckle=BK16
            square-bar m oat ember 3 harbour               | square-bar x1 size=M core=OA2 working=EM2 bead=HB9*3
            square-bar m oat ember 3 harbour bead          | square-bar x1 size=M core=OA2 working=EM2 bead=HB9*3
            square-bar 3 pb6 m oat ember                   | square-bar x1 size=M core=OA2 working=EM2 bead=PB6*3
            3 pebble 2 square-bar m oat ember              | square-bar x2 size=M core=OA2 working=EM2 bead=PB6*3
            square-bar m oat ember harbour                 | square-bar x1 size=M core=OA2 working=EM2 bead=HB9*0
            spiral-fob 12 oat ember rg25                   | spiral-fob x1 length=12 core=OA2 working=EM2 ring=RG25
            spiral-fob l12 oat ember rg25                  | spiral-fob x1 length=12 core=OA2 working=EM2 ring=RG25
            spiral-fob 12cm oat ember split ring 25        | spiral-fob x1 length=12cm core=OA2 working=EM2 ring=RG25
            spiral-fob 12cm oat ember ring.rg30            | spiral-fob x1 length=12cm core=OA2 working=EM2 ring=RG30
            spiral fob 4 3/4in oat ember rg25              | spiral-fob x1 length=4 3/4in core=OA2 working=EM2 ring=RG25
            spiral-fob 1ft 2 oat ember rg25                | spiral-fob x1 length=1ft 2 core=OA2 working=EM2 ring=RG25
            6 spiral-fob 12cm brine chalk rg25             | spiral-fob x6 length=12cm core=CH2 ring=RG25 !brine
            snake m oat ember kit                          | snake x1 size=M first=OA2 second=EM2 kit
            4 snake m oat ember set loose                  | snake x4 size=M first=OA2 second=EM2 LOOSE set
            snake m oat ember child taper snug             | snake x1 size=M first=OA2 second=EM2 SNUG CHILD tapered
            snake m oat ember under3                       | snake x1 size=M first=OA2 second=EM2 UNDER_THREE
            snake m oat ember for Marit                    | snake x1 size=M first=OA2 second=EM2 for=Marit
            snake m oat ember for Lower Lock Rowing Club   | snake x1 size=M first=OA2 second=EM2 for=Lower Lock Rowing Club
            for Marit, snake m oat ember                   | snake x1 size=M first=OA2 second=EM2 for=Marit
            for Marit by fri, snake m oat ember            | snake x1 size=M first=OA2 second=EM2 for=Marit by fri
            snake m oat ember note no metal, by fri        | snake x1 size=M first=OA2 second=EM2 note=no metal due=2031-03-07
            snake m oat ember by fri                       | snake x1 size=M first=OA2 second=EM2 due=2031-03-07
            snake m oat ember by wednesday                 | snake x1 size=M first=OA2 second=EM2 due=2031-03-12
            snake m oat ember by tomorrow                  | snake x1 size=M first=OA2 second=EM2 due=2031-03-06
            snake m oat ember by 2031-04-01                | snake x1 size=M first=OA2 second=EM2 due=2031-04-01
            snake m oat ember by 1.4.                      | snake x1 size=M first=OA2 second=EM2 due=2031-04-01
            snake m oat ember by 1.4.2032                  | snake x1 size=M first=OA2 second=EM2 due=2032-04-01
            snake m oat ember by 1.2                       | snake x1 size=M first=OA2 second=EM2 due=2032-02-01
            snake m oat ember by 20/3                      | snake x1 size=M first=OA2 second=EM2 due=2031-03-20
            snake m oat ember by 3/4                       | snake x1 size=M first=OA2 second=EM2 ?3/4[by 2031-04-03;by 2032-03-04]
            snake m oat ember by 3 apr                     | snake x1 size=M first=OA2 second=EM2 due=2031-04-03
            snake m oat ember by april 3                   | snake x1 size=M first=OA2 second=EM2 due=2031-04-03
            snake m oat ember by 29.2                      | snake x1 size=M first=OA2 second=EM2 due=2032-02-29
            snake m oat ember in 5d                        | snake x1 size=M first=OA2 second=EM2 due=2031-03-10
            snake m oat ember in 2 weeks                   | snake x1 size=M first=OA2 second=EM2 due=2031-03-19
            snake m oat ember by someday                   | snake x1 size=M first=OA2 second=EM2 !by !someday
            snake m oat ember by 31.2                      | snake x1 size=M wrist=31.2 first=OA2 second=EM2 !by
            snake 16.5 oat ember; 2 17; xl                 | snake x1 wrist=16.5 first=OA2 second=EM2 / snake x2 wrist=17 first=OA2 second=EM2 / snake x1 size=XL first=OA2 second=EM2
            snake m oat ember kit; l second.chalk          | snake x1 size=M first=OA2 second=EM2 kit / snake x1 size=L first=OA2 second=CH2 kit
            snake m oat ember; square-bar l chalk          | snake x1 size=M first=OA2 second=EM2 / square-bar x1 size=L core=CH2
            snake m oat ember; spiral l                    | snake x1 size=M first=OA2 second=EM2 / - x1 size=L ?spiral[spiral-fob;spiral-bar]
            snake m oat ember; for Marit                   | snake x1 size=M first=OA2 second=EM2 for=Marit
            snake m oat ember;; ;                          | snake x1 size=M first=OA2 second=EM2
            spiral m oat ember                             | - x1 size=M ?spiral[spiral-fob;spiral-bar]
            spiral-fob 12cm oat ember split ring           | spiral-fob x1 length=12cm core=OA2 working=EM2 ?split ring[rg25;rg30]
            snake m oat ember chalk                        | snake x1 size=M first=OA2 second=EM2 !chalk
            snake m oat ember rg25                         | snake x1 size=M first=OA2 second=EM2 !rg25
            snake m oat embre                              | snake x1 size=M first=OA2 !embre
            snake snake m oat ember                        | snake x1 size=M first=OA2 second=EM2 !snake
            snake m oat ember 16.5 17.5                    | snake x1 size=M wrist=16.5 first=OA2 second=EM2 !17.5
            snake 0 oat ember                              | snake x1 first=OA2 second=EM2 !0
            0 snake m oat ember                            | snake x1 size=M first=OA2 second=EM2 !0
            5000 snake m oat ember                         | snake x1 size=M first=OA2 second=EM2 !5000
            for                                            | - x1 !for
            =cmd()                                         | - x1 !=cmd()
            <b>snake</b>                                   | - x1 !<b>snake</b>
            ,,,                                            | - x1
            """)
    void readsAnOrderInALine(String text, String expected) {
        assertThat(shown(Shorthand.read(text, WORDS, UnitSystem.METRIC, TODAY))).isEqualTo(expected);
    }

    @Test
    void anEmptyTextIsALineOfNothing() {
        assertThat(shown(Shorthand.read("", WORDS, UnitSystem.METRIC, TODAY))).isEqualTo("- x1");
    }

    @Test
    void aMistypedWordIsOfferedWhatItIsLike() {
        Mark mark = Shorthand.read("snake m oat embre", WORDS, UnitSystem.METRIC, TODAY).marks().stream()
                .filter(m -> m.kind() == Kind.UNKNOWN)
                .findFirst()
                .orElseThrow();
        assertThat(mark.choices()).containsExactly(new Choice("em2", "Ember"), new Choice("em3", "Ember"));
        assertThat(mark.from()).isEqualTo(12);
        assertThat(mark.to()).isEqualTo(17);
    }

    /** Taking up a choice for everything unclear makes the text clear, however it was unclear. */
    @Test
    void everyChoiceIsUnderstoodWhenItIsTakenUp() {
        for (String text : List.of(
                "spiral m oat ember",
                "spiral-fob 12cm oat ember 2 split ring",
                "snake m oat ember by 3/4",
                "figure-eight-4 m pit em side")) {
            Reading reading = Shorthand.read(text, WORDS, UnitSystem.METRIC, TODAY);
            for (Mark mark : reading.marks()) {
                for (Choice choice : mark.choices()) {
                    String taken = text.substring(0, mark.from()) + choice.text() + text.substring(mark.to());
                    assertThat(Shorthand.read(taken, WORDS, UnitSystem.METRIC, TODAY)
                                    .marks())
                            .as(taken)
                            .noneMatch(m -> m.kind() == Kind.UNCLEAR);
                }
            }
        }
    }

    /** Any heap of words and signs is read without a throw; marks lie in the text, in order, and do not overlap. */
    @Test
    void anythingTypedIsReadAndEveryWordIsAccountedFor() {
        Random random = new Random(17);
        String[] words = {
            "snake",
            "square-bar",
            "m",
            "xl",
            "16.5",
            "7",
            "1/4",
            "in",
            "5d",
            "by",
            "fri",
            "for",
            "note",
            "oat",
            "night",
            "tide",
            "3",
            "harbour",
            ",",
            ";",
            "core.",
            ".oat",
            "core.oat",
            "w",
            "w16",
            "h21",
            "½",
            "ft",
            "6ft",
            "3",
            "kit",
            "set",
            "ß",
            "🧵",
            "'",
            "\"",
            "..",
            "1.2.3.4",
            "9999999999",
            "all.night",
            "ring.rg25",
            "-",
            "\t"
        };
        for (int i = 0; i < 4000; i++) {
            StringJoiner text = new StringJoiner(random.nextInt(9) == 0 ? "" : " ");
            for (int n = random.nextInt(14); n > 0; n--) {
                text.add(words[random.nextInt(words.length)]);
            }
            Reading reading = Shorthand.read(text.toString(), WORDS, UnitSystem.IMPERIAL, TODAY);
            int at = 0;
            for (Mark mark : reading.marks()) {
                assertThat(mark.from()).as(text.toString()).isGreaterThanOrEqualTo(at);
                assertThat(text.toString().substring(at, mark.from()).replaceAll("[\\s,;]", ""))
                        .as("left out of " + text)
                        .isEmpty();
                at = mark.to();
            }
            assertThat(text.toString().substring(at).replaceAll("[\\s,;]", "")).isEmpty();
        }
    }

    @Test
    void aNovelIsRefused() {
        assertThatThrownBy(() -> Shorthand.read("x".repeat(1001), WORDS, UnitSystem.METRIC, TODAY))
                .hasMessageContaining("1000");
    }

    /** What was understood, in a fixed order; {@code ?} before what is unclear and {@code !} before what is unknown. */
    private static String shown(Reading reading) {
        List<String> lines = new ArrayList<>();
        for (Line line : reading.lines()) {
            StringJoiner text = new StringJoiner(" ");
            text.add(line.pattern().orElse("-")).add("x" + line.quantity());
            line.size().ifPresent(s -> text.add("size=" + s));
            line.wrist().ifPresent(s -> text.add("wrist=" + s));
            line.hand().ifPresent(s -> text.add("hand=" + s));
            line.length().ifPresent(s -> text.add("length=" + s));
            WORDS.patterns().stream()
                    .filter(p -> line.pattern().filter(p.code()::equals).isPresent())
                    .flatMap(p -> p.cords().stream())
                    .filter(c -> line.colours().containsKey(c.code()))
                    .forEach(c -> text.add(c.code() + "=" + line.colours().get(c.code())));
            line.parts()
                    .forEach((place, part) ->
                            text.add(place + "=" + part.article() + (place.equals("bead") ? "*" + part.count() : "")));
            line.ease().ifPresent(text::add);
            line.wearer().ifPresent(text::add);
            if (line.kit()) {
                text.add("kit");
            }
            if (line.matching()) {
                text.add("set");
            }
            if (line.tapered()) {
                text.add("tapered");
            }
            if (!line.note().isEmpty()) {
                text.add("note=" + line.note());
            }
            lines.add(text.toString());
        }
        StringJoiner all = new StringJoiner(" ");
        all.add(String.join(" / ", lines));
        reading.due().ifPresent(d -> all.add("due=" + d));
        reading.customer().ifPresent(c -> all.add("for=" + c));
        for (Mark mark : reading.marks()) {
            if (mark.kind() == Kind.UNCLEAR) {
                all.add("?" + mark.value() + "["
                        + String.join(
                                ";", mark.choices().stream().map(Choice::text).toList()) + "]");
            } else if (mark.kind() == Kind.UNKNOWN) {
                all.add("!" + mark.value());
            }
        }
        return all.toString();
    }

    private static List<CordPlace> cords(long gaugeUm, String... places) {
        List<CordPlace> cords = new ArrayList<>();
        for (String place : places) {
            cords.add(new CordPlace(place, new Length(gaugeUm)));
        }
        return cords;
    }

    private static CordWord cord(String code, String name, long diameterUm) {
        return new CordWord(code, name, new Length(diameterUm));
    }
}
