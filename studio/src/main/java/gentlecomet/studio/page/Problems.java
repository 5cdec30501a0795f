package gentlecomet.studio.page;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.format.FormatException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.dao.RecoverableDataAccessException;
import org.springframework.dao.TransientDataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.transaction.TransactionException;
import org.springframework.validation.BindException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.support.MissingServletRequestPartException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.resource.NoResourceFoundException;

/** Turns what went wrong into words: plain text for parts of a page, a page of its own otherwise. Never a stack trace. */
@ControllerAdvice
class Problems {

    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

    @ExceptionHandler({PatchEdit.EditException.class, RefusedException.class, FormatException.class})
    ModelAndView refused(RuntimeException e, HttpServletRequest request, HttpServletResponse response) throws IOException {
        if (e instanceof RefusedException refused && !refused.field().isEmpty()) {
            response.setHeader("X-Field", refused.field());
        }
        return say(HttpStatus.UNPROCESSABLE_ENTITY, e.getMessage(), request, response);
    }

    @ExceptionHandler(MissingException.class)
    ModelAndView missing(MissingException e, HttpServletRequest request, HttpServletResponse response) throws IOException {
        return say(HttpStatus.NOT_FOUND, e.getMessage(), request, response);
    }

    @ExceptionHandler(ConflictException.class)
    ModelAndView conflict(ConflictException e, HttpServletRequest request, HttpServletResponse response) throws IOException {
        return say(HttpStatus.CONFLICT, e.getMessage(), request, response);
    }

    @ExceptionHandler(DuplicateKeyException.class)
    ModelAndView taken(DuplicateKeyException e, HttpServletRequest request, HttpServletResponse response) throws IOException {
        return say(HttpStatus.CONFLICT, "The slot was taken in the meantime, perhaps in another tab. Load the page again.", request, response);
    }

    /** What the database does not take would not be taken a second time either. */
    @ExceptionHandler(DataIntegrityViolationException.class)
    ModelAndView notTaken(DataIntegrityViolationException e, HttpServletRequest request, HttpServletResponse response) throws IOException {
        LOG.warn("a value was not taken", e);
        return say(HttpStatus.UNPROCESSABLE_ENTITY, "One of the values is not among those that can be stored, so nothing was changed.", request, response);
    }

    @ExceptionHandler({DataAccessResourceFailureException.class, TransientDataAccessException.class, RecoverableDataAccessException.class, TransactionException.class})
    ModelAndView database(RuntimeException e, HttpServletRequest request, HttpServletResponse response) throws IOException {
        LOG.warn("database: {}", e.getMessage());
        return say(HttpStatus.SERVICE_UNAVAILABLE, "The database cannot be reached just now. Nothing was changed; try again in a moment.",
                request, response);
    }

    @ExceptionHandler(MaxUploadSizeExceededException.class)
    ModelAndView tooLarge(MaxUploadSizeExceededException e, HttpServletRequest request, HttpServletResponse response) throws IOException {
        return say(HttpStatus.PAYLOAD_TOO_LARGE, "The file is larger than 300 MB, which is more than this takes.", request, response);
    }

    @ExceptionHandler({MissingServletRequestParameterException.class, MissingServletRequestPartException.class,
            MethodArgumentTypeMismatchException.class, HttpMessageNotReadableException.class, BindException.class})
    ModelAndView malformed(Exception e, HttpServletRequest request, HttpServletResponse response) throws IOException {
        return say(HttpStatus.BAD_REQUEST, "The request was not complete, so nothing was changed.", request, response);
    }

    @ExceptionHandler(NoResourceFoundException.class)
    ModelAndView nothingThere(NoResourceFoundException e, HttpServletRequest request, HttpServletResponse response) throws IOException {
        return say(HttpStatus.NOT_FOUND, "There is no page at this address.", request, response);
    }

    @ExceptionHandler(AsyncRequestNotUsableException.class)
    void gone(AsyncRequestNotUsableException e) {
        LOG.debug("a page was closed while it was being answered");
    }

    @ExceptionHandler(Exception.class)
    ModelAndView unexpected(Exception e, HttpServletRequest request, HttpServletResponse response) throws IOException {
        LOG.error("unexpected", e);
        return say(HttpStatus.INTERNAL_SERVER_ERROR, "Something went wrong inside Gentle Comet. Nothing was changed by this step.", request, response);
    }

    private static ModelAndView say(HttpStatus status, String message, HttpServletRequest request, HttpServletResponse response)
            throws IOException {
        boolean part = request.getHeader("X-Requested-With") != null
                || request.getHeader("HX-Request") != null && request.getHeader("HX-Boosted") == null;
        if (!part) {
            ModelAndView page = new ModelAndView("page/problem");
            page.setStatus(status);
            page.addObject("message", message);
            return page;
        }
        response.setStatus(status.value());
        response.setContentType("text/plain;charset=UTF-8");
        response.getOutputStream().write(message.getBytes(StandardCharsets.UTF_8));
        return new ModelAndView();
    }
}
