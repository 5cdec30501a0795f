package gentlecomet.craft.release.check;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Reads the regions of an SFZ file by the published list of opcodes: headers in angle brackets, opcodes as name=value with blanks between them, comments behind two slashes. What a
 * global header says holds for every region, and the control header says where samples lie.
 */
final class SfzReader {

    private SfzReader() {
    }

    /** One region. @param sample path from the folder of the file @param opcodes its own and the global ones */
    record Region(String sample, Map<String, String> opcodes) {

        /** @param standard where the opcode is not there or is no number */
        int number(String opcode, int standard) {
            try {
                return Integer.parseInt(opcodes.getOrDefault(opcode, String.valueOf(standard)));
            } catch (NumberFormatException e) {
                return standard;
            }
        }

        boolean loops() {
            return "loop_continuous".equals(opcodes.get("loop_mode"));
        }
    }

    static List<Region> read(String text) {
        Map<String, String> control = new HashMap<>();
        Map<String, String> global = new HashMap<>();
        List<Map<String, String>> regions = new ArrayList<>();
        Map<String, String> into = new HashMap<>();
        for (String word : text.replaceAll("//[^\n]*", "").strip().split("\\s+")) {
            int equals = word.indexOf('=');
            if (word.equals("<region>")) {
                into = new HashMap<>(global);
                regions.add(into);
            } else if (word.startsWith("<")) {
                into = word.equals("<control>") ? control : word.equals("<global>") ? global : new HashMap<>();
            } else if (equals > 0) {
                into.put(word.substring(0, equals), word.substring(equals + 1));
            }
        }
        String path = control.getOrDefault("default_path", "");
        return regions.stream().map(r -> new Region(path + r.getOrDefault("sample", ""), r)).toList();
    }
}
