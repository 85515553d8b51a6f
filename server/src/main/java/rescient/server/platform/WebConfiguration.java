package rescient.server.platform;

import java.io.IOException;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.concurrent.TimeUnit;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.ClassPathResource;
import org.springframework.core.io.Resource;
import org.springframework.format.FormatterRegistry;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.EncodedResourceResolver;
import org.springframework.web.servlet.resource.PathResourceResolver;
import rescient.core.base.Limits;

/** Serves the built front end; any path that is not a file is a page of it. */
@Configuration
class WebConfiguration implements WebMvcConfigurer {
    private static final String HOME = "classpath:/web/";

    private final Calculations calculations;

    WebConfiguration(Calculations calculations) {
        this.calculations = calculations;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(calculations).addPathPatterns("/api/**");
    }

    /** A resource handler is never asked for the empty path, which is the first that anybody opens. */
    @Override
    public void addViewControllers(ViewControllerRegistry registry) {
        registry.addViewController("/").setViewName("forward:/index.html");
    }

    /** What stands in an address is held to the same limits as what is sent. */
    @Override
    public void addFormatters(FormatterRegistry registry) {
        registry.addConverter(String.class, BigDecimal.class, text -> {
            if (text.isBlank()) {
                return null;
            }
            if (text.length() > Limits.DIGITS) {
                throw new IllegalArgumentException("too many digits");
            }
            BigDecimal number = new BigDecimal(text.strip());
            if (!Limits.holds(number)) {
                throw new IllegalArgumentException("too many digits");
            }
            return number;
        });
        registry.addConverter(String.class, LocalDate.class, text -> {
            if (text.isBlank()) {
                return null;
            }
            LocalDate day = LocalDate.parse(text.strip());
            if (!Limits.holds(day)) {
                throw new IllegalArgumentException("too far away");
            }
            return day;
        });
    }

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/_app/immutable/**")
                .addResourceLocations(HOME + "_app/immutable/")
                .setCacheControl(
                        CacheControl.maxAge(365, TimeUnit.DAYS).cachePublic().immutable())
                .resourceChain(true)
                .addResolver(new EncodedResourceResolver())
                .addResolver(new PathResourceResolver());
        registry.addResourceHandler("/mark.svg")
                .addResourceLocations(HOME)
                .setCacheControl(CacheControl.maxAge(1, TimeUnit.DAYS).cachePublic());
        registry.addResourceHandler("/**")
                .addResourceLocations(HOME)
                .setCacheControl(CacheControl.noCache())
                .resourceChain(true)
                .addResolver(new PageResolver());
    }

    private static final class PageResolver extends PathResourceResolver {
        @Override
        protected Resource getResource(String path, Resource location) throws IOException {
            Resource file = super.getResource(path, location);
            if (file != null) {
                return file;
            }
            boolean ours = path.startsWith("api/") || path.startsWith("v3/") || path.startsWith("_app/");
            return ours ? null : new ClassPathResource("web/index.html");
        }
    }
}
