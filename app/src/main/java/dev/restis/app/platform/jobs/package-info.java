/** Long work: asked for, with its progress, stopped, and with its result, all of it kept in the database. */
@NullMarked
@org.springframework.modulith.NamedInterface("jobs")
package dev.restis.app.platform.jobs;

import org.jspecify.annotations.NullMarked;
