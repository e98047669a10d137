package dev.restis.app.patterns;

import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** Pictures that the browser may keep, but asks after each time: they change with swatches and while they are drawn. */
final class Drawn {

    private Drawn() {}

    static ResponseEntity<String> picture(String svg) {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noCache().cachePrivate())
                .eTag(Integer.toHexString(svg.hashCode()) + "-" + svg.length())
                .contentType(MediaType.valueOf("image/svg+xml"))
                .body(svg);
    }
}
