package tertulia.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.testng.Assert.assertTrue;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import jakarta.persistence.Entity;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Controller;
import org.testng.annotations.Test;

/** The walls of the application. */
public class ArchitectureTest {
  private static final JavaClasses APP =
      new ClassFileImporter()
          .withImportOption(new ImportOption.DoNotIncludeTests())
          .importPackages("tertulia.app");

  @Test
  public void classesWereRead() {
    assertTrue(APP.size() > 60, "only " + APP.size() + " classes");
  }

  @Test
  public void featuresDoNotGoRoundInCircles() {
    slices().matching("tertulia.app.(*)..").should().beFreeOfCycles().check(APP);
  }

  @Test
  public void controllersAndEntitiesStayInTheirPackage() {
    classes().that().areAnnotatedWith(Controller.class).should().bePackagePrivate().check(APP);
    classes().that().areAnnotatedWith(Entity.class).should().bePackagePrivate().check(APP);
  }

  @Test
  public void beansAreWiredByConstructors() {
    com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noFields()
        .should()
        .beAnnotatedWith(Autowired.class)
        .check(APP);
  }

  /** The core computes what was agreed; where the text of a page came from is none of its. */
  @Test
  public void theReaderOfPagesKnowsTheCoreAndTheCoreDoesNotKnowIt() {
    JavaClasses both =
        new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("tertulia.core", "tertulia.pagetext");
    assertTrue(both.stream().anyMatch(c -> c.getPackageName().equals("tertulia.pagetext")));
    noClasses()
        .that()
        .resideInAPackage("tertulia.core..")
        .should()
        .dependOnClassesThat()
        .resideInAPackage("tertulia.pagetext..")
        .check(both);
    noClasses()
        .that()
        .resideInAPackage("tertulia.pagetext..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("org.springframework..", "jakarta..", "tertulia.app..")
        .check(both);
  }

  @Test
  public void picturesAndWordsKnowNoWebAndNoStore() {
    noClasses()
        .that()
        .resideInAnyPackage(
            "tertulia.app.chart..", "tertulia.app.display..", "tertulia.app.exchange..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("org.springframework..", "jakarta.persistence..")
        .check(APP);
  }
}
