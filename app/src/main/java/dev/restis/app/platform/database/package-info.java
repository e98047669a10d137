/** The PostgreSQL server that everything is kept in: our own or another, its programs, backups and the way to a newer schema. */
@NullMarked
@org.springframework.modulith.NamedInterface("database")
package dev.restis.app.platform.database;

import org.jspecify.annotations.NullMarked;
