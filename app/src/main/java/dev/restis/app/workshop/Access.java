package dev.restis.app.workshop;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Set;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authentication.ProviderManager;
import org.springframework.security.authentication.dao.DaoAuthenticationProvider;
import org.springframework.security.authorization.AuthorizationDecision;
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
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfTokenRepository;

/** Who may come in, and what the browser is told to refuse. */
@Configuration(proxyBeanMethods = false)
class Access {

    private static final String CONTENT_SECURITY_POLICY =
            "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; "
                    + "font-src 'self'; connect-src 'self'; object-src 'none'; base-uri 'none'; form-action 'self'; "
                    + "frame-ancestors 'none'";

    private static final Set<String> LOOPBACK = Set.of("127.0.0.1", "::1", "0:0:0:0:0:0:0:1");
    private static final Set<String> PROXIED = Set.of("Forwarded", "X-Forwarded-For", "X-Real-IP", "Via");

    @Bean
    SecurityFilterChain guard(HttpSecurity http, SecurityContextRepository sessions, CsrfTokenRepository tokens)
            throws Exception {
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
                    requests.requestMatchers("/actuator/**")
                            .access((who, at) -> new AuthorizationDecision(atThisMachine(at.getRequest())))
                            .requestMatchers(HttpMethod.GET, "/api/**")
                            .authenticated()
                            .requestMatchers("/api/**")
                            .denyAll()
                            .anyRequest()
                            .permitAll();
                })
                .csrf(csrf -> csrf.spa().csrfTokenRepository(tokens).ignoringRequestMatchers("/api/feed"))
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

    /** Through a proxy everybody seems to be at this machine. */
    private static boolean atThisMachine(HttpServletRequest request) {
        return LOOPBACK.contains(request.getRemoteAddr())
                && PROXIED.stream().allMatch(header -> request.getHeader(header) == null);
    }

    @Bean
    SecurityContextRepository sessions() {
        return new HttpSessionSecurityContextRepository();
    }

    /** The page reads its token from a cookie. */
    @Bean
    CsrfTokenRepository tokens() {
        return CookieCsrfTokenRepository.withHttpOnlyFalse();
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
