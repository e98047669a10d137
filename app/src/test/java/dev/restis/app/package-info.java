@NullMarked
package dev.restis.app;

import org.jspecify.annotations.NullMarked;
