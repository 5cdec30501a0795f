package gentlecomet.bench;

import gentlecomet.craft.format.Json;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.sound.patch.PatchImage;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;

/** Prints the image of a benchmark's patch as a JSON list of numbers, for the benchmark in the browser. */
public final class PrintImage {

    private PrintImage() {
    }

    public static void main(String[] args) throws IOException {
        try (InputStream in = PrintImage.class.getResourceAsStream("/" + args[0] + ".json")) {
            System.out.println(Json.write(PatchImage.of(PatchFormat.read(new String(in.readAllBytes(), StandardCharsets.UTF_8), args[0]))));
        }
    }
}
