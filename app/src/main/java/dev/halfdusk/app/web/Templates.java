package dev.halfdusk.app.web;

import org.springframework.context.annotation.Configuration;
import org.thymeleaf.cache.StandardCacheManager;
import org.thymeleaf.spring6.SpringTemplateEngine;

/**
 * Room for all templates and all that is written in their attributes, some 2400 expressions: the engine's own limit of 500 would
 * have most of them read anew for each page. Not given up when memory is short, since they are what every page needs.
 */
@Configuration(proxyBeanMethods = false)
class Templates {

    private static final int EXPRESSIONS = 20_000;
    private static final int FRAGMENTS = 2_000;

    Templates(SpringTemplateEngine engine) {
        StandardCacheManager kept = new StandardCacheManager();
        kept.setExpressionCacheInitialSize(EXPRESSIONS / 4);
        kept.setExpressionCacheMaxSize(EXPRESSIONS);
        kept.setExpressionCacheUseSoftReferences(false);
        kept.setTemplateCacheMaxSize(FRAGMENTS);
        kept.setTemplateCacheUseSoftReferences(false);
        engine.setCacheManager(kept);
        engine.setEnableSpringELCompiler(true);
    }
}
