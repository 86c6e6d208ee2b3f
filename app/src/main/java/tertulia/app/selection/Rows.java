package tertulia.app.selection;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

/** The repositories of this package. */
final class Rows {
  private Rows() {}

  interface Selections extends JpaRepository<SelectionRow, Long> {
    List<SelectionRow> findAllByOrderByIdDesc();
  }

  interface Contenders extends JpaRepository<ContenderRow, Long> {
    List<ContenderRow> findBySelectionIdOrderByPlace(long selectionId);

    List<ContenderRow> findBySelectionIdInOrderByPlace(Collection<Long> selectionIds);

    List<ContenderRow> findByToolId(long toolId);

    Optional<ContenderRow> findBySelectionIdAndToolId(long selectionId, long toolId);
  }

  interface Narrowings extends JpaRepository<NarrowingRow, Long> {
    List<NarrowingRow> findBySelectionIdInOrderById(Collection<Long> selectionIds);

    long countBySelectionId(long selectionId);
  }

  interface Members extends JpaRepository<MemberRow, Long> {
    List<MemberRow> findBySelectionIdOrderById(long selectionId);

    long countBySelectionId(long selectionId);

    List<MemberRow> findBySelectionIdInOrderById(Collection<Long> selectionIds);

    Optional<MemberRow> findBySelectionIdAndAccountId(long selectionId, long accountId);
  }

  interface FirstViews extends JpaRepository<FirstViewRow, Long> {}

  interface Weights extends JpaRepository<WeightRow, Long> {
    List<WeightRow> findByMemberIdIn(Collection<Long> memberIds);

    Optional<WeightRow> findByMemberIdAndCriterion(long memberId, String criterion);
  }

  interface Numbers extends JpaRepository<NumberRow, Long> {
    List<NumberRow> findByMemberIdIn(Collection<Long> memberIds);

    Optional<NumberRow> findByMemberIdAndMethodAndCriterion(
        long memberId, String method, String criterion);
  }

  interface Preferences extends JpaRepository<PreferenceRow, Long> {
    List<PreferenceRow> findByMemberIdIn(Collection<Long> memberIds);

    Optional<PreferenceRow> findByMemberIdAndOneAndOther(long memberId, String one, String other);
  }

  interface Pairs extends JpaRepository<PairRow, Long> {
    List<PairRow> findByMemberIdIn(Collection<Long> memberIds);

    Optional<PairRow> findByMemberIdAndCriterionAndOneAndOther(
        long memberId, String criterion, String one, String other);
  }

  interface SettledMarks extends JpaRepository<SettledRow, Long> {
    List<SettledRow> findBySelectionIdInOrderById(Collection<Long> selectionIds);

    Optional<SettledRow> findBySelectionIdAndCriterionAndContender(
        long selectionId, String criterion, String contender);
  }

  interface Remarks extends JpaRepository<RemarkRow, Long> {
    List<RemarkRow> findBySelectionIdInOrderById(Collection<Long> selectionIds);

    long countBySelectionIdAndAnswersIsNull(long selectionId);

    long countByAnswers(long remark);

    boolean existsBySelectionIdAndOnce(long selectionId, String once);
  }

  interface Tasks extends JpaRepository<TaskRow, Long> {
    List<TaskRow> findBySelectionIdInOrderById(Collection<Long> selectionIds);

    boolean existsBySelectionIdAndCode(long selectionId, String code);
  }

  interface TrialRows extends JpaRepository<TrialRow, Long> {
    List<TrialRow> findBySelectionIdInOrderById(Collection<Long> selectionIds);

    Optional<TrialRow> findBySelectionIdAndContender(long selectionId, String contender);
  }

  interface Results extends JpaRepository<ResultRow, Long> {
    List<ResultRow> findBySelectionIdInOrderById(Collection<Long> selectionIds);

    boolean existsBySelectionIdAndTask(long selectionId, String task);

    long countBySelectionIdAndContender(long selectionId, String contender);

    Optional<ResultRow> findBySelectionIdAndContenderAndTaskAndAuthor(
        long selectionId, String contender, String task, String author);
  }

  interface ProofRows extends JpaRepository<ProofRow, Long> {
    List<ProofRow> findBySelectionIdInOrderById(Collection<Long> selectionIds);

    long countBySelectionId(long selectionId);

    Optional<ProofRow> findBySelectionIdAndAboutAndAccountId(
        long selectionId, String about, long accountId);
  }

  interface Pictures extends JpaRepository<PictureRow, Long> {}

  interface Marks extends JpaRepository<MarkRow, Long> {
    List<MarkRow> findByMemberIdIn(Collection<Long> memberIds);

    Optional<MarkRow> findByMemberIdAndCriterionAndContender(
        long memberId, String criterion, String contender);

    List<MarkRow> findByMemberIdAndContender(long memberId, String contender);
  }

  interface Interests extends JpaRepository<InterestRow, Long> {
    List<InterestRow> findByMemberId(long memberId);

    Optional<InterestRow> findByMemberIdAndContender(long memberId, String contender);
  }

  interface Opinions extends JpaRepository<OpinionRow, Long> {
    List<OpinionRow> findByMemberIdInOrderById(Collection<Long> members);

    Optional<OpinionRow> findByMemberIdAndContender(long memberId, String contender);
  }
}
