package gentlecomet.studio.bench;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.studio.StudioTest;
import gentlecomet.studio.WebWork;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/**
 * Nobody has to leave the screen for a parameter: every one of the registry has a bar on the bench as soon as the choices that bring it
 * are made. Looked for in the first of several layers, sources, LFOs and effects of a chain; the others come from the same templates.
 */
@StudioTest
class EveryParameterTest extends WebWork {

    private static final Pattern BAR = Pattern.compile("<(?:div class=\"bar\"|select class=\"bar-choice\"|button type=\"button\" role=\"switch\")[^>]* id=\"([^\"]+)\"");
    private static final Pattern OTHERS = Pattern.compile("\\b(layer|source|lfo|effect)([2-9]|1[0-9])\\b");
    private static final Pattern DECIDES = Pattern.compile("<select class=\"bar-choice\" id=\"([^\"]+)\"[^>]* data-decides");

    private final Set<String> seen = new HashSet<>();
    private final Set<String> tried = new HashSet<>();
    private final Deque<Choice> deciding = new ArrayDeque<>();

    /** A choice that brings other bars, and what had been chosen where it was found. */
    private record Choice(String id, Map<Parameter, Double> behind) {
    }

    @BeforeEach
    void newPatch() {
        begin("Bench", 1);
    }

    private static boolean wanted(Parameter p) {
        String id = p.id();
        return !OTHERS.matcher(id).find();
    }

    private void look(Map<Parameter, Double> chosen) throws Exception {
        String page = web.perform(get("/patches/{id}/bench", id)).andReturn().getResponse().getContentAsString();
        Matcher bars = BAR.matcher(page);
        while (bars.find()) {
            seen.add(bars.group(1));
        }
        Matcher choices = DECIDES.matcher(page);
        while (choices.find()) {
            Parameter p = Parameters.find(choices.group(1));
            if (wanted(p) && tried.add(p.id())) {
                deciding.add(new Choice(p.id(), chosen));
            }
        }
    }

    private void choose(Parameter p, double value) {
        patches.edit(id, patches.get(id).version(), "", new PatchEdit.SetValue(p, value));
    }

    @Test
    void isSomewhereOnTheBench() throws Exception {
        for (String chain : new String[] {"effect1.type", "layer1.effect1.type"}) {
            tried.add(chain);
            deciding.add(new Choice(chain, Map.of()));
        }
        look(Map.of());
        while (!deciding.isEmpty()) {
            Choice choice = deciding.remove();
            Parameter p = Parameters.find(choice.id());
            Map<Parameter, Double> behind = new LinkedHashMap<>();
            for (Map.Entry<Parameter, Double> one : choice.behind().entrySet()) {
                behind.put(one.getKey(), patches.get(id).patch().value(one.getKey().id()));
                choose(one.getKey(), one.getValue());
            }
            double before = patches.get(id).patch().value(p.id());
            double last = p.division() ? 1 : p.max();
            for (double value = p.min(); value <= last; value++) {
                choose(p, value);
                Map<Parameter, Double> chosen = new LinkedHashMap<>(choice.behind());
                chosen.put(p, value);
                look(chosen);
            }
            choose(p, before);
            for (Map.Entry<Parameter, Double> one : behind.entrySet()) {
                choose(one.getKey(), one.getValue());
            }
        }
        assertTrue(tried.size() > 10, "choices that bring other bars: " + tried);
        Set<String> missing = Parameters.ALL.stream().filter(EveryParameterTest::wanted).map(Parameter::id).filter(i -> !seen.contains(i))
                .collect(Collectors.toCollection(TreeSet::new));
        assertEquals(Set.of(), missing);
    }
}
