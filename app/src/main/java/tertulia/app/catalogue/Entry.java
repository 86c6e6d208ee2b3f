package tertulia.app.catalogue;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * One field of a row of a price page, described once: {@link RowTable} makes of it how the form and
 * CSV are read and written, and how the form shows it.
 */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.FIELD)
@interface Entry {
  /** Of an empty field: it is read as it is, and refused where that says nothing. */
  String AS_IT_IS = "\0as it is";

  /** Of an empty field: the document leaves it out. */
  String LEFT_OUT = "\0left out";

  /** How its text is a value. */
  As as();

  /** Its column as CSV. */
  CsvColumn column();

  /** What the form calls it; empty if the form shows it in a way of its own. */
  String label() default "";

  /** Its name in the document, where that is not the field's. */
  String part() default "";

  /** What an empty field stands for: a text that is read, {@link #AS_IT_IS}, {@link #LEFT_OUT}. */
  String empty() default AS_IT_IS;

  /** What is asked if it is empty and must not be. */
  String ask() default "";

  /** What an empty cell of CSV stands for. */
  String unsaid() default "";

  /** A field on which it depends whether this one counts; empty: it always does. */
  String dependsOn() default "";

  /** The texts of that field with which it counts; else the document leaves it out. */
  String[] with() default {};

  /** Whether the form shows it behind a word that opens. */
  boolean aside() default false;
}
