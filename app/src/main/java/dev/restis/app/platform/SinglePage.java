package dev.restis.app.platform;

import java.time.Duration;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Serves the front end: hashed assets for long, and its one page for every address that it routes itself. */
@Configuration(proxyBeanMethods = false)
class SinglePage implements WebMvcConfigurer {

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/assets/**")
                .addResourceLocations("classpath:/static/assets/")
                .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).immutable());
    }

    @Override
    public void addViewControllers(ViewControllerRegistry registry) {
        registry.addViewController("/{page:[a-z-]+}").setViewName("forward:/index.html");
        registry.addViewController("/{page:(?!api|assets)[a-z-]+}/{*rest}").setViewName("forward:/index.html");
    }
}
