package tertulia.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.testng.Assert.assertTrue;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.List;
import java.util.stream.Stream;
import org.testng.annotations.Test;

/** The walls of the core. */
public class ArchitectureTest {
  /** Lower packages first; each may use only those before it. */
  private static final List<String> ORDER =
      List.of(
          "deadline",
          "working",
          "money",
          "time",
          "growth",
          "labour",
          "pricing",
          "plausibility",
          "billing",
          "fit",
          "path",
          "inuse",
          "scoring",
          "firmness",
          "decision",
          "trial",
          "evaluation",
          "difference",
          "sensitivity",
          "finding",
          "remark");

  private static final JavaClasses CORE =
      new ClassFileImporter()
          .withImportOption(new ImportOption.DoNotIncludeTests())
          .importPackages("tertulia.core");

  @Test
  public void classesWereRead() {
    assertTrue(CORE.size() > 60, "only " + CORE.size() + " classes");
  }

  @Test
  public void theCoreSeesNoFramework() {
    classes()
        .should()
        .onlyDependOnClassesThat()
        .resideInAnyPackage(
            "tertulia.core..", "java..", "org.joda.money..", "org.ojalgo..", "org.jspecify..")
        .check(CORE);
  }

  @Test
  public void packagesSeeOnlyThoseBelow() {
    for (int i = 0; i < ORDER.size(); i++) {
      String[] below =
          Stream.concat(
                  Stream.of("java..", "org.joda.money..", "org.ojalgo..", "org.jspecify.."),
                  ORDER.subList(0, i + 1).stream().map(p -> "tertulia.core." + p + ".."))
              .toArray(String[]::new);
      classes()
          .that()
          .resideInAPackage("tertulia.core." + ORDER.get(i) + "..")
          .should()
          .onlyDependOnClassesThat()
          .resideInAnyPackage(below)
          .check(CORE);
    }
  }

  @Test
  public void noCycles() {
    slices().matching("tertulia.core.(*)..").should().beFreeOfCycles().check(CORE);
  }
}
