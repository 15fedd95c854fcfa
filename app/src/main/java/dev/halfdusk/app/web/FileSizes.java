package dev.halfdusk.app.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.multipart.MultipartHttpServletRequest;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.util.WebUtils;

/** Files that are sent may have 8 MB, frames of a camera 100. */
@Configuration(proxyBeanMethods = false)
public class FileSizes implements WebMvcConfigurer {

    /** Megabytes of a frame. */
    public static final int FRAME = 100;

    private static final int OTHERS = 8;
    private static final int TO_BYTES = 20;
    private static final List<String> FRAMES = List.of("/lighttable", "/api/frames");

    /** In megabytes, at an address. */
    public static int mostMegabytes(String path) {
        return FRAMES.stream().anyMatch(path::startsWith) ? FRAME : OTHERS;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(new HandlerInterceptor() {
            @Override
            public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
                MultipartHttpServletRequest sent =
                        WebUtils.getNativeRequest(request, MultipartHttpServletRequest.class);
                if (sent != null && FRAMES.stream().noneMatch(request.getRequestURI()::startsWith)) {
                    for (List<MultipartFile> files : sent.getMultiFileMap().values()) {
                        if (files.stream().anyMatch(f -> f.getSize() > (long) OTHERS << TO_BYTES)) {
                            throw new MaxUploadSizeExceededException((long) OTHERS << TO_BYTES);
                        }
                    }
                }
                return true;
            }
        });
    }
}
