package tertulia.app.growth;

import org.springframework.data.jpa.repository.JpaRepository;

interface HeadcountsRows extends JpaRepository<HeadcountsRow, Long> {}
