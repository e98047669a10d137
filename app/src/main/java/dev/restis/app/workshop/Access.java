package dev.restis.app.workshop;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authentication.ProviderManager;
import org.springframework.security.authentication.dao.DaoAuthenticationProvider;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.HttpStatusEntryPoint;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;

/** Who may come in, and what the browser is told to refuse. */
@Configuration(proxyBeanMethods = false)
class Access {

    private static final String CONTENT_SECURITY_POLICY =
            "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; "
                    + "font-src 'self'; connect-src 'self'; object-src 'none'; base-uri 'none'; form-action 'self'; "
                    + "frame-ancestors 'none'";

    @Bean
    SecurityFilterChain guard(HttpSecurity http, SecurityContextRepository sessions) throws Exception {
        return http.authorizeHttpRequests(requests -> {
                    for (Rights.Right right : Rights.all()) {
                        var matched = requests.requestMatchers(right.method(), right.path());
                        switch (right.who()) {
                            case ANYONE, SHOP -> matched.permitAll();
                            case PERSON -> matched.authenticated();
                            case OWNER -> matched.hasRole(Role.OWNER.name());
                        }
                    }
                    // What stands in no line of the table is not done; what is no operation is told so to who is signed
                    // in.
                    requests.requestMatchers(HttpMethod.GET, "/api/**")
                            .authenticated()
                            .requestMatchers("/api/**")
                            .denyAll()
                            .anyRequest()
                            .permitAll();
                })
                .csrf(csrf -> csrf.spa().ignoringRequestMatchers("/api/feed"))
                .securityContext(context -> context.securityContextRepository(sessions))
                .exceptionHandling(e -> e.authenticationEntryPoint(new HttpStatusEntryPoint(HttpStatus.UNAUTHORIZED)))
                .requestCache(cache -> cache.disable())
                .logout(logout -> logout.logoutUrl("/api/sign-out")
                        .logoutSuccessHandler(
                                (request, response, who) -> response.setStatus(HttpStatus.NO_CONTENT.value())))
                .headers(headers -> headers.contentSecurityPolicy(
                                policy -> policy.policyDirectives(CONTENT_SECURITY_POLICY))
                        .referrerPolicy(referrer -> referrer.policy(
                                org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter
                                        .ReferrerPolicy.SAME_ORIGIN)))
                .build();
    }

    @Bean
    SecurityContextRepository sessions() {
        return new HttpSessionSecurityContextRepository();
    }

    @Bean
    PasswordEncoder passwords() {
        return new BCryptPasswordEncoder();
    }

    @Bean
    UserDetailsService userDetails(People people) {
        return name -> people.findByNameIgnoreCase(name)
                .map(p -> User.withUsername(p.name)
                        .password(p.passwordHash)
                        .disabled(p.endedAt != null)
                        .roles(p.role.name())
                        .build())
                .orElseThrow(() -> new UsernameNotFoundException(name));
    }

    @Bean
    AuthenticationManager signIn(UserDetailsService users, PasswordEncoder passwords) {
        DaoAuthenticationProvider provider = new DaoAuthenticationProvider(users);
        provider.setPasswordEncoder(passwords);
        return new ProviderManager(provider);
    }
}
