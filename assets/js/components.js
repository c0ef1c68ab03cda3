// Small pieces that answer without the server.
export const components = (Alpine) => {
  Alpine.data('signIn', () => ({
    login: '',
    password: '',
    init() {
      this.login = this.$refs.login.value;
    },
    pick() {
      this.login = this.$el.dataset.login;
      this.password = this.$el.dataset.password;
      this.$nextTick(() => this.$refs.go.focus());
    },
  }));

  Alpine.data('copyLink', () => ({
    said: 'Copy link',
    async copy() {
      try {
        await navigator.clipboard.writeText(window.location.href);
        this.said = 'Copied';
      } catch {
        this.said = 'Copy it from the address bar';
      }
      setTimeout(() => { this.said = 'Copy link'; }, 2500);
    },
  }));
};
