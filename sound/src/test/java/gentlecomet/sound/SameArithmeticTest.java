package gentlecomet.sound;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.ClassNode;
import org.objectweb.asm.tree.FrameNode;
import org.objectweb.asm.tree.LineNumberNode;
import org.objectweb.asm.tree.MethodNode;
import org.objectweb.asm.tree.VarInsnNode;

/**
 * The compiler for the browser writes a + (b + c) without its brackets, which is another sum in floating point: samples would
 * differ in their last place. So no sum has a sum or difference on its right, nor a variable that holds one and is used there alone,
 * for the compiler writes what it holds in its place; and no product has a product or quotient on its right.
 */
class SameArithmeticTest {

    @Test
    void sumsAndProductsAreWrittenFromLeftToRight() throws IOException {
        List<String> found = new ArrayList<>();
        int classes = 0;
        try (Stream<Path> files = Files.walk(Path.of("target/classes"))) {
            for (Path file : files.filter(f -> f.toString().endsWith(".class")).toList()) {
                ClassNode type = new ClassNode();
                new ClassReader(Files.readAllBytes(file)).accept(type, 0);
                classes++;
                for (MethodNode method : type.methods) {
                    scan(type, method, found);
                }
            }
        }
        assertTrue(classes > 50, "the compiled classes are there");
        assertEquals(List.of(), found);
    }

    /** A binary operation right before another one is its right operand. */
    private static void scan(ClassNode type, MethodNode method, List<String> found) {
        int line = 0;
        int before = -1;
        for (AbstractInsnNode node : method.instructions) {
            if (node instanceof LineNumberNode number) {
                line = number.line;
            }
            int now = node.getOpcode();
            boolean sum = now == Opcodes.DADD && (before == Opcodes.DADD || before == Opcodes.DSUB);
            boolean product = now == Opcodes.DMUL && (before == Opcodes.DMUL || before == Opcodes.DDIV);
            if (sum || product) {
                found.add(type.name + "." + method.name + ", line " + line);
            }
            if (now == Opcodes.DSTORE && (before == Opcodes.DADD || before == Opcodes.DSUB) && writtenIn(node)) {
                found.add(type.name + "." + method.name + ", line " + line + ", kept in a variable");
            }
            before = now >= 0 ? now : before;
        }
    }

    /**
     * Whether a stored sum is loaded but once before its variable is stored to again, or the method ends, and that on the right of another sum;
     * not behind the start of a loop or the end of a branch, for into these nothing is written.
     */
    private static boolean writtenIn(AbstractInsnNode store) {
        int variable = ((VarInsnNode) store).var;
        AbstractInsnNode only = null;
        for (AbstractInsnNode node = store.getNext(); node != null; node = node.getNext()) {
            if (node instanceof FrameNode && only == null) {
                return false;
            }
            if (node instanceof VarInsnNode access && access.var == variable) {
                if (access.getOpcode() != Opcodes.DLOAD) {
                    break;
                }
                if (only != null) {
                    return false;
                }
                only = node;
            }
        }
        if (only == null) {
            return false;
        }
        AbstractInsnNode next = only.getNext();
        while (next != null && next.getOpcode() < 0) {
            next = next.getNext();
        }
        return next != null && next.getOpcode() == Opcodes.DADD;
    }
}
