/** Patterns as data: roles and ordered sections. */
@NullMarked
package dev.restis.core.pattern;

import org.jspecify.annotations.NullMarked;
