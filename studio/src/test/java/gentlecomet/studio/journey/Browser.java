package gentlecomet.studio.journey;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.openqa.selenium.By;
import org.openqa.selenium.JavascriptExecutor;
import org.openqa.selenium.Keys;
import org.openqa.selenium.NoSuchElementException;
import org.openqa.selenium.OutputType;
import org.openqa.selenium.StaleElementReferenceException;
import org.openqa.selenium.TimeoutException;
import org.openqa.selenium.WebDriver;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;
import org.openqa.selenium.logging.LogType;
import org.openqa.selenium.support.ui.WebDriverWait;

/** Headless Chromium with Debian's ChromeDriver. */
final class Browser implements AutoCloseable {

    private static final Duration PATIENCE = Duration.ofSeconds(40);
    /** A script that looks at every control of a full bank takes its time beside another browser. */
    private static final Duration LONGEST_SCRIPT = Duration.ofMinutes(3);

    final ChromeDriver driver;
    private final String address;

    Browser(int port, Path profile, Path downloads) {
        address = "http://127.0.0.1:" + port;
        ChromeOptions options = new ChromeOptions();
        options.setBinary("/usr/bin/chromium");
        options.addArguments("--headless=new", "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking",
                "--disable-component-update", "--disable-sync", "--window-size=1280,800", "--user-data-dir=" + profile);
        options.setExperimentalOption("prefs", Map.of("download.default_directory", downloads.toString()));
        options.setCapability("goog:loggingPrefs", Map.of("browser", "ALL"));
        driver = new ChromeDriver(new ChromeDriverService.Builder().usingDriverExecutable(new java.io.File("/usr/bin/chromedriver")).build(), options);
        driver.manage().timeouts().scriptTimeout(LONGEST_SCRIPT);
    }

    /** Opens a page. The soundcheck does not follow the bench, which would render beside every test that edits. */
    void open(String path) {
        driver.get(address + path);
        js("localStorage.getItem('comet-live-check') ?? localStorage.setItem('comet-live-check', 'off')");
    }

    /** @param what is waited for, in words */
    <T> T until(Function<WebDriver, T> condition, String what) {
        try {
            return until(condition);
        } catch (AssertionError e) {
            throw new AssertionError(what, e);
        }
    }

    <T> T until(Function<WebDriver, T> condition) {
        return until(PATIENCE, condition);
    }

    /** Waits longer than usual, for work that grows with the bank. */
    <T> T until(Duration patience, Function<WebDriver, T> condition) {
        try {
            return new WebDriverWait(driver, patience, Duration.ofMillis(25)).ignoring(StaleElementReferenceException.class)
                    .ignoring(NoSuchElementException.class).until(condition);
        } catch (TimeoutException e) {
            throw new AssertionError("waited in vain on " + driver.getCurrentUrl() + "; the page says \"" + js("return document.getElementById('messages')?.textContent")
                    + "\"; log " + driver.manage().logs().get(LogType.BROWSER).getAll() + "; picture " + picture(), e);
        }
    }

    private Path picture() {
        try {
            return Files.write(Path.of("target", "waited-in-vain.png"), driver.getScreenshotAs(OutputType.BYTES));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    WebElement find(String css) {
        return until(d -> d.findElement(By.cssSelector(css)));
    }

    String text(String css) {
        return find(css).getText();
    }

    void click(String css) {
        until(d -> {
            WebElement element = d.findElement(By.cssSelector(css));
            if (!element.isDisplayed() || !element.isEnabled()) {
                return false;
            }
            js("arguments[0].scrollIntoView({block: 'center'})", element);
            element.click();
            return true;
        });
    }

    /** Types into a field and leaves it. */
    void fill(String css, String text) {
        WebElement field = find(css);
        js("arguments[0].scrollIntoView({block: 'center'})", field);
        field.click();
        field.sendKeys(Keys.chord(Keys.CONTROL, "a"), text, Keys.TAB);
    }

    /** Types a value into a value bar by its parameter's id. */
    void typeValue(String parameter, String text) {
        WebElement bar = driver.findElement(By.id(parameter));
        js("arguments[0].scrollIntoView({block: 'center'}); arguments[0].focus()", bar);
        bar.sendKeys(Keys.ENTER);
        WebElement input = until(d -> d.findElement(By.cssSelector("[id='" + parameter + "'] input")));
        input.sendKeys(Keys.chord(Keys.CONTROL, "a"), text, Keys.ENTER);
    }

    void keys(CharSequence... keys) {
        find("body").sendKeys(keys);
    }

    /** Runs a script in the page; "@js/" in it stands for where this page's own modules are. */
    Object js(String script, Object... arguments) {
        return ((JavascriptExecutor) driver).executeScript(placed(script), arguments);
    }

    /** The same of a script that calls its last argument when it is done. */
    Object jsLater(String script, Object... arguments) {
        return driver.executeAsyncScript(placed(script), arguments);
    }

    private String placed(String script) {
        return script.contains("@js/") ? script.replace("@js/", find("script[type=module]").getDomProperty("src").replace("app.js", "")) : script;
    }

    /** What the page complained of, but for answers that refuse bad input. */
    List<String> errors() {
        return driver.manage().logs().get(LogType.BROWSER).getAll().stream()
                .filter(e -> e.getLevel().intValue() >= 1000 && !e.getMessage().contains("422")).map(Object::toString).toList();
    }

    @Override
    public void close() {
        driver.quit();
    }
}
