/** Security, problems, API description, the local database. */
@NullMarked
package dev.restis.app.platform;

import org.jspecify.annotations.NullMarked;
