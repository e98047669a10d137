package dev.restis.app.platform;

import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says why Restis cannot start in its own words, without the stack of the framework around it. */
class CannotStartAnalyzer extends AbstractFailureAnalyzer<CannotStart> {

    @Override
    protected FailureAnalysis analyze(Throwable rootFailure, CannotStart cause) {
        return new FailureAnalysis(cause.getMessage(), null, cause);
    }
}
