package dev.restis.app.finished;

import dev.restis.app.finished.Contents.Content;
import dev.restis.app.finished.Contents.ContentLine;
import dev.restis.app.platform.Pdf;
import dev.restis.core.cord.Material;
import dev.restis.core.piece.Caution;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Service;

/** How to wear and keep what is in a parcel, by what it is made of, with the usual cautions. */
@Service
class CareLeaflet {

    /** Of wearing; the others are of tying. */
    private static final List<Caution> WORN =
            List.of(Caution.NECK, Caution.SMALL_PARTS, Caution.LEATHER, Caution.METAL);

    byte[] pdf(Content of, Pdf.Paper paper) {
        String title = of.words().text("care.title");
        StringBuilder body = new StringBuilder("<h1>")
                .append(Pdf.text(title))
                .append("</h1><p>")
                .append(Pdf.text(of.words().text("care.intro", of.house().name())))
                .append("</p>");
        materials(of).forEach(material -> material(body, of, material));
        body.append("<h2 style='font-size:12pt'>")
                .append(Pdf.text(of.words().text("care.cautions")))
                .append("</h2><ul>");
        cautions(of)
                .forEach(caution -> body.append("<li>")
                        .append(Pdf.text(of.words().text("care.caution." + caution)))
                        .append("</li>"));
        body.append("<li>")
                .append(Pdf.text(of.words().text("care.safety")))
                .append("</li></ul><p class='small'>")
                .append(Pdf.text((of.house().name() + "\n" + of.house().address()).strip()))
                .append("</p>");
        return Pdf.of(title, body.toString(), paper);
    }

    private static void material(StringBuilder body, Content of, Material material) {
        body.append("<h2 style='font-size:12pt;margin:4mm 0 1mm'>")
                .append(Pdf.text(of.words().textOr("care.material." + material.code(), "care.material.other")))
                .append("</h2><p style='margin:0'>")
                .append(Pdf.text(text(of, material)))
                .append("</p>");
    }

    /** In words of its own, or by what sort of material it is. */
    static String text(Content of, Material material) {
        return of.words()
                .textOr("care." + material.code(), material.heatSealable() ? "care.synthetic" : "care.natural");
    }

    static Set<Material> materials(Content of) {
        Set<Material> materials = new LinkedHashSet<>();
        of.filled().forEach(l -> materials.addAll(materials(l)));
        return materials;
    }

    static Set<Material> materials(ContentLine line) {
        Set<Material> materials = new LinkedHashSet<>();
        line.worked().cords().forEach(c -> materials.add(c.cord().material()));
        return materials;
    }

    private static Set<Caution> cautions(Content of) {
        Set<Caution> cautions = new LinkedHashSet<>();
        of.filled().forEach(l -> cautions.addAll(cautions(l)));
        return cautions;
    }

    static List<Caution> cautions(ContentLine line) {
        return line.worked().piece().cautions().stream().filter(WORN::contains).toList();
    }
}
