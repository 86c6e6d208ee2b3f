package tertulia.app.settings;

import org.springframework.data.jpa.repository.JpaRepository;

interface SettingRows extends JpaRepository<SettingRow, String> {}
