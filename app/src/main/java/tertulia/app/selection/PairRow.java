package tertulia.app.selection;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import org.jspecify.annotations.Nullable;

/**
 * Storage of which of two contenders one member finds better under a criterion: their ids stand in
 * their order, {@code better} is 0 if they are level, 1 or 2 if the one is better by an edge or
 * clearly, and below 0 if the other is.
 */
@Entity
@Table(name = "contender_pair")
class PairRow {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  @Nullable Long id;

  long memberId;
  String criterion = "";
  String one = "";
  String other = "";
  int better;
  String note = "";
  @Version long version;
}
