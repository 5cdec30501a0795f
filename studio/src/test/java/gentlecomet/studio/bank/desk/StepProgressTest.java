package gentlecomet.studio.bank.desk;

import static org.junit.jupiter.api.Assertions.assertDoesNotThrow;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.studio.page.RefusedException;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.Test;

class StepProgressTest {

    @Test
    void aStepIsStoppedUntilItIsWorkedOut() {
        StepProgress early = new StepProgress(2);
        early.passed();
        assertTrue(early.stop());
        assertThrows(RefusedException.class, early::passed);
        assertThrows(RefusedException.class, early::last);
        assertTrue(early.stop(), "asked for twice it is stopped still");
        StepProgress late = new StepProgress(2);
        late.last();
        assertFalse(late.stop());
        assertDoesNotThrow(late::passed);
    }

    @Test
    void itTellsNoMoreThanThereIs() {
        StepProgress progress = new StepProgress(0);
        progress.begin(2);
        for (int n = 0; n < 3; n++) {
            progress.passed();
        }
        assertEquals(2, progress.done());
        assertEquals(2, progress.total());
    }

    /** Whoever is told that the step is stopped can rely on it, however close the two come to each other. */
    @Test
    void stoppingAndEndingNeverBothSucceed() throws Exception {
        ExecutorService threads = Executors.newFixedThreadPool(2);
        try {
            for (int round = 0; round < 2000; round++) {
                StepProgress progress = new StepProgress(1);
                Callable<Boolean> stop = progress::stop;
                Callable<Boolean> end = () -> {
                    try {
                        progress.last();
                        return true;
                    } catch (RefusedException e) {
                        return false;
                    }
                };
                var answers = threads.invokeAll(round % 2 == 0 ? List.of(stop, end) : List.of(end, stop));
                assertTrue(answers.get(0).get() ^ answers.get(1).get(), "round " + round);
            }
        } finally {
            threads.shutdownNow();
        }
    }
}
