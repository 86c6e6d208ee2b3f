package tertulia.app.selection;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** Storage of the bytes of a picture. */
@Entity
@Table(name = "proof_picture")
class PictureRow {
  @Id long proofId;
  String type = "";
  byte[] bytes = {};
}
