//! Transactions that the database gave up so that another could go on.

use crate::StoreError;

/// How often such a transaction is tried again: each time one of those that stood in each other's way has landed.
const MOST: u32 = 5;

/// Carries out a whole transaction, again from its beginning where it was given up for another's sake.
pub(crate) async fn repeated<T>(
    transaction: impl AsyncFn() -> Result<T, StoreError>,
) -> Result<T, StoreError> {
    for _ in 0..MOST {
        match transaction().await {
            Err(error) if error.is_lost_to_another() => {}
            answer => return answer,
        }
    }
    transaction().await
}

#[cfg(test)]
#[allow(clippy::unwrap_used, reason = "a test that can't go on says so by failing")]
mod tests {
    use super::*;
    use crate::Store;
    use std::sync::atomic::{AtomicU32, Ordering};
    use tokio::sync::Barrier;

    #[tokio::test]
    async fn of_two_that_wait_for_each_other_both_land() {
        let store = Store::open(&spirel_testkit::fresh_database_url().await).await.unwrap();
        let houses = [store.add_house("One").await.unwrap(), store.add_house("Other").await.unwrap()];
        let (both_hold_one, tries) = (Barrier::new(2), AtomicU32::new(0));
        let rename = async |order: [usize; 2], name: &str| {
            repeated(async || {
                let mut tx = store.pool.begin().await?;
                for (number, house) in order.into_iter().enumerate() {
                    if number == 1 && tries.fetch_add(1, Ordering::SeqCst) < 2 {
                        both_hold_one.wait().await;
                    }
                    sqlx::query!("UPDATE house SET name = ? WHERE id = ?", name, houses[house])
                        .execute(&mut *tx)
                        .await?;
                }
                tx.commit().await?;
                Ok(())
            })
            .await
        };
        let (one, other) = tokio::join!(rename([0, 1], "A"), rename([1, 0], "B"));
        assert!(one.is_ok() && other.is_ok(), "{one:?} {other:?}");
        assert!(tries.load(Ordering::SeqCst) > 2, "one of them was given up and came again");
    }
}
