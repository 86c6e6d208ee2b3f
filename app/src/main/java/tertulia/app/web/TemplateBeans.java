package tertulia.app.web;

import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tertulia.app.chart.Marks;
import tertulia.app.exchange.Codes;
import tertulia.app.exchange.Json;

/** The few things templates may call. */
@Configuration
class TemplateBeans {
  /** Draws the mark of a contender. */
  record InlineMarks() {
    public String inline(int mark) {
      return Marks.inline(mark);
    }
  }

  /** Codes of constants for choices. */
  record EnumCodes() {
    public String of(Enum<?> constant) {
      return Codes.code(constant);
    }
  }

  /** Values an element sends along, as JSON. */
  record SentAlong() {
    public String vals(String... namesAndValues) {
      Map<String, String> values = new LinkedHashMap<>();
      for (int i = 0; i + 1 < namesAndValues.length; i += 2) {
        values.put(namesAndValues[i], namesAndValues[i + 1]);
      }
      return Json.write(values);
    }
  }

  @Bean
  InlineMarks marks() {
    return new InlineMarks();
  }

  @Bean
  EnumCodes codes() {
    return new EnumCodes();
  }

  @Bean
  SentAlong hx() {
    return new SentAlong();
  }
}
