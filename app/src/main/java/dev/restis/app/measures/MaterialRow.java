package dev.restis.app.measures;

import dev.restis.app.measures.Materials.MaterialView;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.math.BigDecimal;

/** A material that cord is made of. */
@Entity
@Table(name = "material")
@SuppressWarnings("NullAway.Init")
class MaterialRow {

    @Id
    private String code;

    @Version
    private int version;

    private String name;
    private BigDecimal tensionFactor;
    private BigDecimal holeCompression;
    private boolean stiff;
    private boolean heatSealable;
    private boolean frays;
    private long frayAllowanceUm;

    protected MaterialRow() {}

    MaterialRow(String code) {
        this.code = code;
    }

    int version() {
        return version;
    }

    MaterialView view() {
        return new MaterialView(
                code, version, name, tensionFactor, holeCompression, stiff, heatSealable, frays, frayAllowanceUm);
    }

    /** Takes over all but the code and the version. */
    void become(MaterialView as) {
        name = as.name();
        tensionFactor = as.tensionFactor();
        holeCompression = as.holeCompression();
        stiff = as.stiff();
        heatSealable = as.heatSealable();
        frays = as.frays();
        frayAllowanceUm = as.frayAllowanceUm();
    }
}
