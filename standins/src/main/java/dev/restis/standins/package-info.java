/** Stand-ins for outside services: they speak to Restis over HTTP only, as the real ones would. */
@NullMarked
package dev.restis.standins;

import org.jspecify.annotations.NullMarked;
