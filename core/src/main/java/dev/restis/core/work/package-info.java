/** The life of a piece: how far it can be, what can be done with it, and how its rows tell where it stands. */
@NullMarked
package dev.restis.core.work;

import org.jspecify.annotations.NullMarked;
