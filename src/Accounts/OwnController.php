<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\Form\FormFactoryInterface;
use Symfony\Component\Form\FormInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What everybody does for themselves: password, PIN, and changing hands on a tablet two people share. */
final class OwnController extends AbstractController
{
    public function __construct(
        private readonly AccountBook $accounts, private readonly FormFactoryInterface $forms, private readonly Security $security,
    ) {
    }

    #[Route('/me', name: 'me', methods: ['GET'])]
    public function __invoke(#[CurrentUser] AccountRecord $me): Response
    {
        return $this->page($me, $this->form(false), $this->form(true));
    }

    #[Route('/me/password', name: 'own_password', methods: ['POST'])]
    public function password(Request $request, #[CurrentUser] AccountRecord $me): Response
    {
        $form = $this->form(false)->handleRequest($request);
        if (!$form->isSubmitted() || !$form->isValid()) {
            return $this->page($me, $form, $this->form(true));
        }
        $changed = $this->accounts->changePassword($me->login, $form->getData()->new);
        // The session here goes on; those on other tablets hold another password and end.
        $this->security->login($changed, 'form_login', 'main');
        $this->addFlash('good', 'Your password is changed.');

        return $this->redirectToRoute('me', [], Response::HTTP_SEE_OTHER);
    }

    #[Route('/me/pin', name: 'own_pin', methods: ['POST'])]
    public function pin(Request $request, #[CurrentUser] AccountRecord $me): Response
    {
        $form = $this->form(true)->handleRequest($request);
        if (!$form->isSubmitted() || !$form->isValid()) {
            return $this->page($me, $this->form(false), $form);
        }
        $this->accounts->setPin($me->login, $form->getData()->new);
        $this->addFlash('good', '' === $form->getData()->new ? 'You have no PIN any more.' : 'Your PIN is set.');

        return $this->redirectToRoute('me', [], Response::HTTP_SEE_OTHER);
    }

    /** Whoever signed in here today takes over with a PIN, where the other left off. */
    #[Route('/hands', name: 'hands', methods: ['GET', 'POST'])]
    public function hands(Request $request, HandsHere $hands, #[CurrentUser] AccountRecord $me): Response
    {
        $to = $request->query->getString('to');
        $to = 1 === preg_match('~\A/(?![/\\\\])[\x21-\x7e]{0,300}\z~', $to) ? $to : '/';
        $error = '';
        if ($request->isMethod('POST')) {
            $login = $request->request->getString('login');
            $next = $hands->changed($request, $me, $login, $request->request->getString('pin'));
            if (null !== $next) {
                $this->security->login($next, 'form_login', 'main');

                return $this->redirect($to, Response::HTTP_SEE_OTHER);
            }
            $error = 'That is not the PIN. After five wrong ones the password is asked.';
        }

        return $this->render('accounts/hands.html.twig', [
            'others' => $hands->others($request, $me), 'to' => $to, 'error' => $error, 'login' => $request->request->getString('login'),
        ], new Response(status: '' === $error ? 200 : 422));
    }

    /**
     * @param FormInterface<OwnPassword> $password
     * @param FormInterface<OwnPassword> $pin
     */
    private function page(AccountRecord $me, FormInterface $password, FormInterface $pin): Response
    {
        $isWrong = $password->isSubmitted() || $pin->isSubmitted();

        return $this->render('accounts/me.html.twig', [
            'hasPin' => '' !== ($this->accounts->named($me->login)->pin ?? ''), 'password' => $password, 'pin' => $pin,
            'may' => array_filter(May::cases(), static fn (May $may): bool => $may->allows($me->role)),
        ], new Response(status: $isWrong ? 422 : 200));
    }

    /** @return FormInterface<OwnPassword> */
    private function form(bool $isPin): FormInterface
    {
        return $this->forms->createNamed('', OwnPasswordForm::class, new OwnPassword(), ['pin' => $isPin]);
    }
}
