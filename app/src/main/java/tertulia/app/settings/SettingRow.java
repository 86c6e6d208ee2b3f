package tertulia.app.settings;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;

/** Storage of one setting. */
@Entity
@Table(name = "workspace_setting")
class SettingRow {
  @Id String name = "";
  String content = "";
  @Version long version;
}
