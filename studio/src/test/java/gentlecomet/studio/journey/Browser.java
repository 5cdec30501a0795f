package gentlecomet.studio.journey;

import java.nio.file.Path;
import java.time.Duration;
import java.util.Map;
import java.util.function.Function;
import org.openqa.selenium.By;
import org.openqa.selenium.JavascriptExecutor;
import org.openqa.selenium.Keys;
import org.openqa.selenium.StaleElementReferenceException;
import org.openqa.selenium.WebDriver;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;
import org.openqa.selenium.support.ui.WebDriverWait;

/** Headless Chromium with Debian's ChromeDriver. */
final class Browser implements AutoCloseable {

    private static final Duration PATIENCE = Duration.ofSeconds(60);

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
        driver.manage().timeouts().scriptTimeout(PATIENCE);
    }

    void open(String path) {
        driver.get(address + path);
    }

    /** Waits until something is there and true. */
    <T> T until(Function<WebDriver, T> condition) {
        return new WebDriverWait(driver, PATIENCE, Duration.ofMillis(100)).ignoring(StaleElementReferenceException.class)
                .ignoring(org.openqa.selenium.NoSuchElementException.class).until(condition);
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

    Object js(String script, Object... arguments) {
        return ((JavascriptExecutor) driver).executeScript(script, arguments);
    }

    Object jsLater(String script, Object... arguments) {
        return driver.executeAsyncScript(script, arguments);
    }

    @Override
    public void close() {
        driver.quit();
    }
}
