/** What an inquiry asks of any model: its terms, means, comparisons, contrasts and slopes. */
package app.knuckle.study.answers.asked;
