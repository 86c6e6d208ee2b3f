package tertulia.app.growth;

import org.springframework.data.jpa.repository.JpaRepository;

interface GrowthRows extends JpaRepository<GrowthRow, Long> {}
