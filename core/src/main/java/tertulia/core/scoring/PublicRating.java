package tertulia.core.scoring;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import tertulia.core.working.Provenance;

/**
 * What many strangers say of a tool.
 *
 * @param rating 1 to 5
 * @param count reviews behind it, 1 to 10,000,000
 */
public record PublicRating(BigDecimal rating, int count, Provenance source) {
  public PublicRating {
    requireNonNull(source);
    if (rating.compareTo(BigDecimal.ONE) < 0 || rating.compareTo(BigDecimal.valueOf(5)) > 0) {
      throw new IllegalArgumentException(
          "A public rating lies between 1 and 5; found "
              + rating.toPlainString()
              + ". Map other scales to 1–5 first.");
    }
    if (count < 1 || count > 10_000_000) {
      throw new IllegalArgumentException(
          "A public rating rests on 1 to 10,000,000 reviews; found " + count + ".");
    }
  }

  /**
   * (strength · prior + n · r) / (strength + n) over all reviews pooled: 4.6 from 180 reviews with
   * prior 3.5 of strength 50 gives 4.360870.
   *
   * @param ratings at least one
   */
  public static BigDecimal shrunk(List<PublicRating> ratings, Criterion.Ratings prior) {
    BigDecimal weighted = prior.strength().multiply(prior.prior());
    BigDecimal reviews = prior.strength();
    for (PublicRating rating : ratings) {
      BigDecimal n = BigDecimal.valueOf(rating.count());
      weighted = weighted.add(n.multiply(rating.rating()));
      reviews = reviews.add(n);
    }
    return weighted.divide(reviews, MathContext.DECIMAL128);
  }
}
