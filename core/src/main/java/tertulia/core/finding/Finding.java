package tertulia.core.finding;

/**
 * Something the product says in a sentence, with the figures it rests on. Tools are named by their
 * ids, months by their plan month. Words are made of it in one place, and each kind is tested
 * against the evaluation on generated selections.
 */
public sealed interface Finding
    permits AgreementFinding,
        AnswerFinding,
        ChangeFinding,
        CostFinding,
        FitFinding,
        GrowthFinding,
        InterestFinding,
        LookBackFinding,
        MissingFinding,
        RemarkFinding,
        ScoreFinding,
        TrialFinding,
        VerdictFinding,
        ViewFinding {}
