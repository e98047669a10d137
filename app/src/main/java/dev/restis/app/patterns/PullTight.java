package dev.restis.app.patterns;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The background task that pulls stitches tight. */
@Configuration
class PullTight {

    static final String NAME = "pull-tight";

    @Bean
    OneTimeTask<Void> pullTightTask(ObjectProvider<CentreLineShelf> shelf) {
        return Tasks.oneTime(NAME)
                .execute((instance, context) -> shelf.getObject().pullTight(instance.getId()));
    }
}
