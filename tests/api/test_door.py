"""What every answer bears, and who may ask what of whom."""

from tests.api.client import ApiTest


class Answers(ApiTest):
    def test_every_answer_has_the_security_headers_errors_included(self) -> None:
        for method, path in (
            ("GET", "/api/v1/kitchen"),
            ("GET", "/api/v1/preparations/nothing"),
            ("GET", "/api/nothing"),
            ("POST", "/api/v1/changes"),
            ("PATCH", "/api/v1/kitchen"),
            ("HEAD", "/api/v1/kitchen"),
            ("GET", "/"),
        ):
            with self.subTest(path=path):
                headers = self.api.request(method, path).headers
                self.assertIn("default-src 'none'", headers["content-security-policy"])
                self.assertEqual(headers["x-content-type-options"], "nosniff")

    def test_head_answers_as_get_without_a_body(self) -> None:
        for path in ("/api/v1/kitchen", "/api/v1/family"):
            asked = self.api.head(path)
            self.assertEqual((asked.status_code, asked.content), (200, b""))
        self.assertEqual(self.api.head("/api/v1/preparations/nothing").status_code, 404)

    def test_an_unknown_address_of_the_api_is_a_problem_and_no_page(self) -> None:
        for method in ("GET", "POST", "PUT", "DELETE"):
            response = self.api.request(method, "/api/v1/nothing/at/all")
            self.assertEqual(response.status_code, 404)
            self.is_problem(response)
