package tertulia.app.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.InvalidPropertyException;
import org.springframework.core.NestedExceptionUtils;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.dao.PessimisticLockingFailureException;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.orm.ObjectOptimisticLockingFailureException;
import org.springframework.orm.jpa.JpaSystemException;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.transaction.TransactionSystemException;
import org.springframework.ui.Model;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import tertulia.app.exchange.Codes;
import tertulia.core.deadline.Overdue;

/** One place that turns what went wrong into a page with a sentence and a way out. */
@ControllerAdvice
class ErrorAdvice {
  private static final Logger LOG = LoggerFactory.getLogger(ErrorAdvice.class);

  @ExceptionHandler(NotFound.class)
  @ResponseStatus(HttpStatus.NOT_FOUND)
  String notFound(NotFound e, Model model) {
    return page(model, "There is no " + e.getMessage() + ".", "It may have been moved or renamed.");
  }

  @ExceptionHandler(Conflict.class)
  @ResponseStatus(HttpStatus.CONFLICT)
  String conflict(Conflict e, Model model) {
    return page(model, e.message(), "Go back; what is stored has not been touched.");
  }

  @ExceptionHandler(ObjectOptimisticLockingFailureException.class)
  @ResponseStatus(HttpStatus.CONFLICT)
  String locked(RuntimeException e, Model model) {
    LOG.info("Refused, as another write came first: {}", e.getClass().getSimpleName());
    return page(
        model,
        "Somebody else saved the same thing at the same moment.",
        "Go back, look at their change and save again.");
  }

  /** The store refuses a row: as somebody else was first, or as our own limits do not agree. */
  @ExceptionHandler(DataIntegrityViolationException.class)
  String refused(DataIntegrityViolationException e, HttpServletResponse response, Model model) {
    if (RetryOnConflict.isOfSomebodyElse(e)) {
      response.setStatus(HttpStatus.CONFLICT.value());
      return locked(e, model);
    }
    LOG.error("The store refuses what was accepted", e);
    response.setStatus(HttpStatus.INTERNAL_SERVER_ERROR.value());
    return page(
        model,
        "This could not be stored, through a fault of ours: something in it is longer or other than"
            + " the store takes.",
        "Nothing was saved. Shorten the longest text and try again; the log of the server says"
            + " more.");
  }

  /** Somebody else holds what is to be changed, or every connection to the store. */
  @ExceptionHandler(PessimisticLockingFailureException.class)
  @ResponseStatus(HttpStatus.SERVICE_UNAVAILABLE)
  String busy(PessimisticLockingFailureException e, Model model) {
    LOG.warn("Waited in vain for a write of somebody else: {}", e.getMessage());
    return page(
        model,
        "Somebody else is just saving here, and it takes longer than we wait.",
        "Nothing was saved. Try again in a moment.");
  }

  /** The store does not take or give anything just now; it is opened anew at the next request. */
  @ExceptionHandler({
    DataAccessResourceFailureException.class,
    CannotCreateTransactionException.class,
    TransactionSystemException.class,
    JpaSystemException.class
  })
  @ResponseStatus(HttpStatus.SERVICE_UNAVAILABLE)
  String notStored(RuntimeException e, Model model) {
    Throwable root = NestedExceptionUtils.getMostSpecificCause(e);
    LOG.error("The store failed: {}: {}", e.getMessage(), root.getMessage());
    return page(
        model,
        "The store does not answer just now, so it is not certain that this was saved.",
        "Go back and look; save again if it was not. If it stays like this, whoever runs the server"
            + " should look at its disk.");
  }

  @ExceptionHandler({
    MethodArgumentTypeMismatchException.class,
    MissingServletRequestParameterException.class,
    // a form sent without its file, or with a field in a way that none of ours has
    MultipartException.class,
    InvalidPropertyException.class
  })
  @ResponseStatus(HttpStatus.BAD_REQUEST)
  String malformed(Model model) {
    return page(
        model, "This address or form is not complete.", "Go back and use the buttons of the page.");
  }

  /** Forms offer a list to choose from; another word comes from another form than ours. */
  @ExceptionHandler(Codes.Unknown.class)
  @ResponseStatus(HttpStatus.BAD_REQUEST)
  String unknown(Codes.Unknown e, Model model) {
    return page(
        model,
        "This address or form has a word that is not offered here: " + e.getMessage(),
        "Nothing was saved. Go back and choose from the lists of the page.");
  }

  @ExceptionHandler(Overdue.class)
  @ResponseStatus(HttpStatus.SERVICE_UNAVAILABLE)
  String overdue(Overdue e, HttpMethod method, HttpServletResponse response, Model model) {
    String changed =
        method == HttpMethod.GET
            ? "Nothing was changed. "
            : "What you sent may have been saved: go back and look. ";
    if (e.isAbandoned()) {
      return page(
          model,
          "The server is being stopped, so this page was not calculated.",
          changed + "Open it again when the server is back.");
    }
    LOG.warn("Stopped after {}: {}", e.most(), e.what());
    if (method == HttpMethod.GET) {
      // what is worked out already is kept: asked again, it goes on from there
      response.setHeader("Refresh", "1");
      return page(
          model,
          "This takes longer than "
              + seconds(e.most())
              + ". So far it has come to "
              + e.what()
              + ".",
          "What is worked out is kept, and the page opens itself again and goes on from there. Leave"
              + " it open. Fewer contenders, fewer terms allowed or fewer months take less time.");
    }
    return page(
        model,
        "This page took longer than "
            + seconds(e.most())
            + " and was stopped, while working out "
            + e.what()
            + ".",
        changed
            + "Fewer contenders, fewer terms allowed or fewer months"
            + " take less time. If the server is busy, try again later.");
  }

  private static String seconds(Duration most) {
    return most.toSeconds() == 1 ? "1 second" : most.toSeconds() + " seconds";
  }

  @ExceptionHandler(TooMany.class)
  @ResponseStatus(HttpStatus.BAD_REQUEST)
  String tooMany(TooMany e, Model model) {
    return page(model, String.valueOf(e.getMessage()), "Nothing was saved.");
  }

  @ExceptionHandler(MaxUploadSizeExceededException.class)
  @ResponseStatus(HttpStatus.CONTENT_TOO_LARGE)
  String tooLarge(Model model) {
    return page(
        model, "The file is larger than 10 MB.", "Choose another file, or split it into several.");
  }

  private static String page(Model model, String sentence, String remedy) {
    model.addAttribute("sentence", sentence);
    model.addAttribute("remedy", remedy);
    return "error/sentence";
  }
}
