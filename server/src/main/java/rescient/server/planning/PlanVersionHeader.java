package rescient.server.planning;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * Says with each answer about the plan which version was there when it was asked for: a browser that hears of a later one
 * asks again.
 */
@Component
class PlanVersionHeader implements HandlerInterceptor, WebMvcConfigurer {
    private static final String NAME = "Plan-Version";

    private final LivePlan live;

    PlanVersionHeader(LivePlan live) {
        this.live = live;
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        long version = live.number();
        if (version > 0) {
            response.setHeader(NAME, Long.toString(version));
        }
        return true;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/api/plan", "/api/plan/**");
    }
}
