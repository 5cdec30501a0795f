package gentlecomet.studio.listening;

import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrlPattern;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.listen.Question;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.studio.StudioTest;
import gentlecomet.studio.WebWork;
import gentlecomet.studio.listening.heard.HeardStates;
import gentlecomet.studio.listening.round.RoundPlace;
import gentlecomet.studio.listening.round.RoundRow;
import gentlecomet.studio.listening.round.Rounds;
import gentlecomet.studio.listening.say.Answer;
import gentlecomet.studio.listening.say.Answers;
import gentlecomet.studio.listening.say.Remark;
import gentlecomet.studio.listening.say.Reviewers;
import gentlecomet.studio.listening.verdict.Verdicts;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.page.MissingException;
import gentlecomet.studio.page.RefusedException;
import java.io.StringReader;
import java.util.List;
import java.util.UUID;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Listening, request by request, on the real database. */
@StudioTest
class ListeningWorkTest extends WebWork {

    @Autowired
    private Rounds rounds;
    @Autowired
    private HeardStates states;
    @Autowired
    private Reviewers reviewers;
    @Autowired
    private Answers answers;
    @Autowired
    private Verdicts verdicts;
    @Autowired
    private Measures measures;
    @Autowired
    private JdbcClient jdbc;

    @BeforeEach
    void newCollection() {
        begin("Heard " + UUID.randomUUID(), 3);
    }

    private long reviewer(String name) {
        return reviewers.named(collection, name).id();
    }

    private void say(long round, long patch, String reviewer, String answer) {
        answers.give(round, new Answer(ListeningFixture.place(rounds, round, patch), 0, reviewer(reviewer), answer), UUID.randomUUID().toString());
    }

    private void darker() {
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("levelTrim"), patches.get(id).patch().value("levelTrim") - 1));
    }

    @Test
    void aVerdictBelongsToASound() throws Exception {
        long round = ListeningFixture.start(rounds, collection, "First");
        say(round, id, "designer", "keep");
        assertEquals("keep", verdicts.standing(patches.summary(id)));
        send(get("/banks/" + bank + "/rows")).andExpect(content().string(containsString("verdict-keep")));
        patches.edit(id, 0, "", new PatchEdit.Rename("Another Name"));
        assertEquals("keep", verdicts.standing(patches.summary(id)), "another name is the same sound");
        darker();
        assertEquals("", verdicts.standing(patches.summary(id)));
        send(get("/banks/" + bank + "/rows")).andExpect(content().string(not(containsString("verdict-keep"))));
        send(get("/banks/" + bank + "/soundcheck/bank")).andExpect(content().string(containsString("1 patch does not sound as it was approved: Another Name.")));
        patches.undo(id, 0);
        send(get("/banks/" + bank + "/soundcheck/bank")).andExpect(content().string(not(containsString("as it was approved"))));
        assertEquals("keep", verdicts.standing(patches.summary(id)), "the sound that was kept is back");
    }

    @Test
    void reviewersDifferUntilTheOwnerDecides() throws Exception {
        long round = ListeningFixture.start(rounds, collection, "First");
        say(round, id, "designer", "keep");
        say(round, id, "second ear", "cut");
        assertEquals("split", verdicts.standing(patches.summary(id)));
        send(get("/rounds/" + round + "/results")).andExpect(status().isOk()).andExpect(content().string(containsString("second ear")));
        send(post("/patches/" + id + "/final-word").param("verdict", "keep")).andExpect(content().string("keep"));
        assertEquals("keep", verdicts.standing(patches.summary(id)));
        send(post("/patches/" + id + "/final-word").param("verdict", "none")).andExpect(content().string("split"));
        assertEquals("split", verdicts.standing(patches.summary(id)));
        send(post("/patches/" + id + "/final-word").param("verdict", "perhaps")).andExpect(status().isUnprocessableEntity());
    }

    @Test
    void answersAreTakenBackOneByOneAndSentTwiceCountOnce() throws Exception {
        long round = ListeningFixture.start(rounds, collection, "First");
        long who = reviewer("designer");
        for (String answer : List.of("keep", "fix")) {
            for (int sent = 0; sent < 2; sent++) {
                send(post("/rounds/" + round + "/answers").param("place", "1").param("reviewer", "" + who).param("answer", answer).param("token", "same " + round + answer)).andExpect(status().isNoContent());
            }
        }
        assertEquals("fix", Answers.byPlace(answers.of(round), who).get(1));
        send(post("/rounds/" + round + "/answers/back").param("reviewer", "" + who)).andExpect(content().json("{\"place\":1,\"answer\":\"fix\",\"before\":\"keep\"}"));
        send(post("/rounds/" + round + "/answers/back").param("reviewer", "" + who)).andExpect(content().json("{\"place\":1,\"answer\":\"keep\",\"before\":\"\"}"));
        send(post("/rounds/" + round + "/answers/back").param("reviewer", "" + who)).andExpect(content().json("{\"place\":0}"));
        send(post("/rounds/" + round + "/answers").param("place", "1").param("reviewer", "" + who).param("answer", "perhaps").param("token", "x" + round)).andExpect(status().isUnprocessableEntity())
                .andExpect(content().string(containsString("keep, fix, cut")));
        send(post("/rounds/" + round + "/answers").param("place", "9").param("reviewer", "" + who).param("answer", "keep").param("token", "y" + round)).andExpect(status().isNotFound());
    }

    @Test
    void whatIsTypedIsKeptAndALongNoteToo() throws Exception {
        long round = ListeningFixture.start(rounds, collection, "First");
        String who = "" + reviewer("designer");
        send(post("/rounds/" + round + "/drafts").param("place", "1").param("reviewer", who).param("note", "the tail is too lo")).andExpect(status().isNoContent());
        send(get("/rounds/" + round)).andExpect(content().string(containsString("the tail is too lo")));
        String longest = "a".repeat(10_000);
        send(post("/rounds/" + round + "/notes").param("place", "1").param("reviewer", who).param("note", longest).param("beat", "2.5").param("key", "60").param("token", "n" + round))
                .andExpect(status().isOk()).andExpect(content().string(containsString("beat 3.5")));
        assertEquals(List.of(longest), answers.remarks(round).stream().map(Remark::words).toList());
        assertTrue(answers.drafts(round, Long.parseLong(who)).isEmpty(), "a saved note is no draft any more");
        send(post("/rounds/" + round + "/notes").param("place", "1").param("reviewer", who).param("note", longest + "b").param("token", "m" + round)).andExpect(status().isUnprocessableEntity())
                .andExpect(content().string(containsString("10001")));
        send(post("/rounds/" + round + "/notes").param("place", "1").param("reviewer", who).param("note", "x").param("key", "128").param("token", "k" + round)).andExpect(status().isUnprocessableEntity());
    }

    @Test
    void aBlindRoundSaysNoName() throws Exception {
        patches.edit(id, 0, "", new PatchEdit.Rename("Secret Heron"));
        long blind = rounds.start(collection, ListeningFixture.plan("Blind", Question.RATING, true));
        long open = rounds.start(collection, ListeningFixture.plan("Open", Question.RATING, false));
        String who = "" + reviewer("designer");
        send(get("/rounds/" + blind)).andExpect(content().string(containsString("Sound 1"))).andExpect(content().string(not(containsString("Secret Heron"))));
        send(get("/rounds/" + blind + "/places/1").param("reviewer", who)).andExpect(content().string(not(containsString("Secret Heron"))));
        send(get("/rounds/" + open + "/places/1").param("reviewer", who)).andExpect(content().string(containsString("Secret Heron")));
    }

    @Test
    void aPatchThatChangesOrGoesIsHeardAsItWas() throws Exception {
        long other = banks.newPatch(bank, 4);
        long round = ListeningFixture.start(rounds, collection, "First");
        reviewer("designer");
        String before = rounds.place(round, 1).heard().contentHash();
        darker();
        send(get("/rounds/" + round + "?at=1")).andExpect(content().string(containsString("changed since this round began")));
        assertNotEquals(patches.get(id).patch(), states.get(before), "the round has kept what it plays");
        delete(other);
        send(get("/rounds/" + round + "?at=2")).andExpect(status().isOk()).andExpect(content().string(containsString("deleted since this round began")));
        jdbc.sql("delete from patch where id = :id").param("id", other).update();
        send(get("/rounds/" + round + "?at=2")).andExpect(status().isOk()).andExpect(content().string(containsString("as it was then")));
        send(get("/rounds/" + round + "/results")).andExpect(content().string(containsString(", deleted")));
        send(post("/rounds/" + round + "/places/1/present")).andExpect(status().is3xxRedirection());
        assertEquals(patches.get(id).contentHash(), rounds.place(round, 1).heard().contentHash());
    }

    @Test
    void whatIsToBeMendedComesBackUntilItIsKept() throws Exception {
        long round = ListeningFixture.start(rounds, collection, "First");
        String who = "" + reviewer("designer");
        say(round, id, "designer", "fix");
        send(post("/rounds/" + round + "/notes").param("place", "1").param("reviewer", who).param("note", "too loud").param("token", "t" + round));
        send(get("/collections/" + collection + "/mend")).andExpect(content().string(containsString("too loud"))).andExpect(content().string(containsString("as it was criticised")));
        send(get("/patches/" + id + "/said")).andExpect(content().string(containsString("too loud")));
        send(post("/collections/" + collection + "/mend/round")).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("Nothing has been mended yet")));
        darker();
        send(get("/collections/" + collection + "/mend")).andExpect(content().string(containsString("sounds otherwise by now")));
        send(post("/collections/" + collection + "/mend/round")).andExpect(redirectedUrlPattern("/rounds/*"));
        RoundRow again = rounds.all(collection).get(0);
        RoundPlace place = rounds.place(again.id(), 1);
        assertEquals(rounds.place(round, 1).heard().contentHash(), place.rival().contentHash(), "against what was criticised");
        assertEquals(patches.get(id).contentHash(), place.heard().contentHash());
        say(again.id(), id, "second ear", "keep");
        assertEquals(1, verdicts.toMend(collection).size(), "another reviewer's word closes nobody's wish");
        say(again.id(), id, "designer", "keep");
        assertEquals(List.of(), verdicts.toMend(collection));
        send(get("/patches/" + id + "/said")).andExpect(content().string(not(containsString("too loud"))));
    }

    @Test
    void roundsChooseTheirPatches() throws Exception {
        long other = banks.newPatch(bank, 4);
        patches.edit(other, 0, "", new PatchEdit.SetValue(Parameters.find("levelTrim"), -2));
        long round = ListeningFixture.start(rounds, collection, "First");
        say(round, id, "designer", "fix");
        String choice = "/collections/" + collection + "/rounds/choice";
        send(get(choice).param("name", "x").param("question", "verdict").param("only", "fix")).andExpect(content().string("1 patch"));
        send(get(choice).param("name", "x").param("question", "verdict").param("only", "unheard")).andExpect(content().string("1 patch"));
        send(get(choice).param("name", "x").param("question", "verdict").param("only", "changed")).andExpect(content().string("0 patches"));
        darker();
        send(get(choice).param("name", "x").param("question", "verdict").param("only", "changed")).andExpect(content().string("1 patch"));
        send(get(choice).param("name", "x").param("question", "verdict").param("filter", "tail<")).andExpect(status().isOk());
        send(get(choice).param("name", "x").param("question", "pair")).andExpect(content().string("0 pairs"));
        for (long patch : List.of(id, other)) {
            measures.measure(patches.get(patch).patch(), patches.get(patch).soundHash(), collections.get(collection).rules());
        }
        send(get(choice).param("name", "x").param("question", "pair")).andExpect(content().string("1 pair"));
        send(post("/collections/" + collection + "/rounds").param("name", "Nobody").param("question", "verdict").param("filter", "name:nobody")).andExpect(status().isUnprocessableEntity())
                .andExpect(content().string(containsString("nothing to hear")));
        send(post("/collections/" + collection + "/rounds").param("name", "").param("question", "verdict")).andExpect(status().isUnprocessableEntity());
        send(post("/collections/" + collection + "/rounds").param("name", "x").param("question", "why")).andExpect(status().isUnprocessableEntity());
        send(post("/collections/" + collection + "/rounds").param("name", "x").param("question", "verdict").param("pause", "-1")).andExpect(status().isUnprocessableEntity());
        assertEquals(1, rounds.all(collection).size(), "what was refused has begun nothing");
    }

    @Test
    void anOrderIsAskedForUntilAllStandInIt() throws Exception {
        for (int slot = 4; slot <= 6; slot++) {
            patches.edit(banks.newPatch(bank, slot), 0, "", new PatchEdit.SetValue(Parameters.find("levelTrim"), -slot));
        }
        long round = rounds.start(collection, ListeningFixture.plan("Order", Question.ORDER, false));
        long who = reviewer("designer");
        for (int asked = 0; asked < 20 && Answers.preference(answers.of(round), who, 4).next() != null; asked++) {
            var pair = Answers.preference(answers.of(round), who, 4).next();
            send(get("/rounds/" + round + "/pair").param("reviewer", "" + who)).andExpect(status().isOk());
            send(post("/rounds/" + round + "/answers").param("place", "" + pair.first()).param("rival", "" + pair.second()).param("reviewer", "" + who)
                    .param("answer", pair.first() > pair.second() ? "first" : "second").param("token", UUID.randomUUID().toString())).andExpect(status().isNoContent());
        }
        assertEquals(List.of(4, 3, 2, 1), Answers.preference(answers.of(round), who, 4).ranking());
        send(get("/rounds/" + round)).andExpect(content().string(containsString("All stand in order")));
        send(get("/rounds/" + round + "/results")).andExpect(content().string(containsString("4 of 4 in order")));
    }

    @Test
    void twoRoundsStandSideBySide() throws Exception {
        long first = ListeningFixture.start(rounds, collection, "Spring");
        long second = ListeningFixture.start(rounds, collection, "Autumn");
        say(first, id, "designer", "fix");
        say(second, id, "designer", "cut");
        send(get("/rounds/" + second + "/results").param("with", "" + first)).andExpect(content().string(containsString("designer, Spring"))).andExpect(content().string(containsString("verdict-fix")));
        begin("Another " + UUID.randomUUID(), 1);
        send(get("/rounds/" + second + "/results").param("with", "" + ListeningFixture.start(rounds, collection, "Elsewhere"))).andExpect(status().isUnprocessableEntity());
    }

    @Test
    void resultsAreFilesThatNoSpreadsheetRuns() throws Exception {
        long round = ListeningFixture.start(rounds, collection, "First");
        say(round, id, "designer", "fix");
        say(round, id, "=second", "keep");
        answers.note(round, 1, reviewer("designer"), "=HYPERLINK(\"x\"), <b>loud</b>", null, null, UUID.randomUUID().toString());
        String csv = send(get("/rounds/" + round + "/results.csv")).andExpect(status().isOk()).andReturn().getResponse().getContentAsString();
        List<CSVRecord> records = CSVFormat.RFC4180.parse(new StringReader(csv)).getRecords();
        assertEquals("'=second", records.get(0).get(5));
        assertEquals("designer: =HYPERLINK(\"x\"), <b>loud</b>", records.get(1).get(7));
        send(get("/rounds/" + round + "/results.html")).andExpect(content().string(containsString("&lt;b&gt;loud"))).andExpect(content().string(not(containsString("<b>loud"))));
    }

    @Test
    void blindTrialsSayWhatGuessingWouldBring() throws Exception {
        long other = banks.newPatch(bank, 4);
        patches.edit(other, 0, "", new PatchEdit.SetValue(Parameters.find("levelTrim"), -2));
        long round = ListeningFixture.start(rounds, collection, "First");
        String who = "" + reviewer("designer");
        send(post("/rounds/" + round + "/places/1/trials").param("reviewer", who).param("what", "previous").param("trials", "8")).andExpect(status().isUnprocessableEntity())
                .andExpect(content().string(containsString("nothing was heard before it")));
        send(post("/rounds/" + round + "/places/2/trials").param("reviewer", who).param("what", "previous").param("trials", "3")).andExpect(status().isUnprocessableEntity());
        String begun = send(post("/rounds/" + round + "/places/2/trials").param("reviewer", who).param("what", "previous").param("trials", "8")).andReturn().getResponse().getContentAsString();
        String series = begun.replaceAll(".*\"id\":(\\d+).*", "$1");
        String state = begun;
        for (int trial = 0; trial < 8; trial++) {
            state = send(post("/trials/" + series).param("trial", "" + trial).param("second", state.replaceAll(".*\"second\":(\\w+).*", "$1"))).andReturn().getResponse().getContentAsString();
            assertEquals(trial == 7, state.contains(" by guessing"), "nothing is told before the end");
        }
        // 8 of 8 by a fair coin: 1/256.
        assertTrue(state.contains("8 of 8 right: 0.4 % by guessing"), state);
        send(get("/rounds/" + round + "/results")).andExpect(content().string(containsString("8 of 8 right")));
    }

    @Test
    void whatAPlaceIsHeldAgainstIsAsLoudAndSaysWhatHasChanged() throws Exception {
        long round = ListeningFixture.start(rounds, collection, "First");
        say(round, id, "designer", "keep");
        darker();
        long later = ListeningFixture.start(rounds, collection, "Later");
        send(get("/rounds/" + later + "/places/1/against").param("what", "approved")).andExpect(content().string(containsString("Level trim")))
                .andExpect(content().string(containsString("as approved")));
        send(get("/rounds/" + later + "/places/1/against").param("what", "best")).andExpect(status().isUnprocessableEntity());
        send(get("/rounds/" + later + "/places/1/against").param("what", "nearest")).andExpect(status().isUnprocessableEntity());
        send(get("/rounds/" + later + "/places/1/against").param("what", "loudest")).andExpect(status().isUnprocessableEntity());
    }

    @Test
    void aRoundIsDeletedWithAllThatWasSaid() throws Exception {
        long round = ListeningFixture.start(rounds, collection, "First");
        say(round, id, "designer", "keep");
        send(post("/rounds/" + round + "/name").param("name", " ")).andExpect(status().isUnprocessableEntity());
        send(post("/rounds/" + round + "/name").param("name", "Second thoughts")).andExpect(redirectedUrlPattern("/banks/*/listening"));
        assertEquals("Second thoughts", rounds.get(round).name());
        send(post("/rounds/" + round + "/delete")).andExpect(redirectedUrlPattern("/banks/*/listening"));
        assertThrows(MissingException.class, () -> rounds.get(round));
        assertEquals("", verdicts.standing(patches.summary(id)));
        send(get("/rounds/" + round)).andExpect(status().isNotFound());
        assertThrows(RefusedException.class, () -> reviewers.named(collection, " "));
        assertThrows(RefusedException.class, () -> answers.keepReady(collection, "a\n".repeat(10)));
    }
}
