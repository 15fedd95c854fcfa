package dev.halfdusk.app.web;

import jakarta.servlet.DispatcherType;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.resource.ResourceUrlEncodingFilter;

/** Pages name assets with a hash of their content, a page that had to wait for its turn ({@link InTurn}) too, which by default would not. */
@Configuration(proxyBeanMethods = false)
class AssetAddresses {

    @Bean
    FilterRegistrationBean<ResourceUrlEncodingFilter> hashed() {
        FilterRegistrationBean<ResourceUrlEncodingFilter> filter =
                new FilterRegistrationBean<>(new ResourceUrlEncodingFilter());
        filter.setDispatcherTypes(DispatcherType.REQUEST, DispatcherType.ASYNC, DispatcherType.ERROR);
        return filter;
    }
}
